import { Outlet } from "react-router";
import { FaultPage, useKeptPage } from "#ui/page";
import { reach } from "../../outbox";

/** Every page of the work, in its place under the row. */
export default function PageInShell() {
  return <Outlet />;
}

/** What went wrong with a page, in its place: the clocks, the alarms and the ways to other pages stay. */
export function ErrorBoundary() {
  useKeptPage(reach);
  return <FaultPage />;
}
