import { useEffect } from "react";
import { href, isRouteErrorResponse, useNavigate, useRouteError } from "react-router";
import { Button } from "../button/index.ts";
import { Page } from "./page.tsx";

/** What is said of a page that could not be shown. */
export interface Fault {
  title: string;
  text: string;
  /** trying again may help */
  again: boolean;
}

/**
 * Returns what to say of an error a page met: what happened, and what that means for the records.
 *
 * @param error as the framework gives it: an answer with a status, or anything that was thrown
 */
export function faultOf(error: unknown): Fault {
  if (!isRouteErrorResponse(error))
    return {
      title: "This page could not be shown",
      text: "Your records are safe, and running clocks go on. Try again; if it happens again, go back and take another way.",
      again: true,
    };
  const said = typeof error.data === "string" && error.data ? error.data : null;
  switch (error.status) {
    case 404:
      return { title: "There is nothing here", text: said ?? "Check the address or the code.", again: false };
    case 401:
    case 403:
      return {
        title: "Not allowed",
        text: said ?? "Sign in, or ask somebody who may do this.",
        again: false,
      };
    case 503:
    case 507:
      return {
        title: "Patient Larder cannot do this now",
        text: said ?? "Try again in a minute.",
        again: true,
      };
    default:
      return {
        title: "This page could not be shown",
        text: said ?? "Your records are safe, and running clocks go on. Try again.",
        again: error.status >= 500,
      };
  }
}

/** What went wrong with a page, in a sentence, and the ways on. Everything around the page stays as it is. */
export function FaultPage() {
  const error = useRouteError();
  const navigate = useNavigate();
  const { title, text, again } = faultOf(error);
  return (
    <Page title={title} lead={text}>
      <title>{`${title} · Patient Larder`}</title>
      <p className="flex flex-wrap gap-3">
        {again && (
          <Button type="button" weight="do" onClick={() => location.reload()}>
            Try again
          </Button>
        )}
        <Button type="button" onClick={() => void navigate(-1)}>
          Go back
        </Button>
        <Button asChild>
          <a href={href("/")}>Go to Today</a>
        </Button>
        <Button asChild>
          <a href={href("/more")}>All pages</a>
        </Button>
      </p>
    </Page>
  );
}

/**
 * When an error means that nothing was reached: the browser may have kept the page, and shows it when it is loaded.
 *
 * @param reach whether Patient Larder can be reached
 */
export function useKeptPage(reach: () => Promise<boolean>): void {
  const error = useRouteError();
  const lost = error instanceof TypeError;
  useEffect(() => {
    if (lost) void reach().then((well) => well || location.reload());
  }, [lost, reach]);
}
