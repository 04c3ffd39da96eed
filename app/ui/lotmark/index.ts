export { Code, LotMark } from "./lotmark";
