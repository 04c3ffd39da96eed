export { CannerFromAbove, CannerFromSide, type LotLook } from "./map";
