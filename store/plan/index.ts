export { closePlan, keepWish, planInHand, type StoredPlan } from "./plan.ts";
