export { bestBy, boilMinutes, eatingOrder } from "./life.ts";
