export { openOutbox, type Outbox } from "./outbox";
