export { coolDownMinutes, runAgenda, urgency, type Due, type RunTask } from "./agenda.ts";
