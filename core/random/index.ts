export { normalFrom, randomFrom } from "./random.ts";
