export { DANGERS, byDanger, type Danger, type Waiting } from "./danger.ts";
export { coolDownMinutes, runAgenda, urgency, type Due, type RunTask } from "./agenda.ts";
