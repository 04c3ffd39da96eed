export { QrCode } from "./qr-code";
