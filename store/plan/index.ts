export { closePlan, storeWish, getOpenPlan, type StoredPlan } from "./plan.ts";
