import { problem } from "./problem";

export function loader() {
  return problem(404, "There is nothing at this address. See /api/v1/openapi.json.");
}

export function action() {
  return problem(404, "There is nothing at this address. See /api/v1/openapi.json.");
}
