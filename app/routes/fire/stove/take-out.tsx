import { Form } from "react-router";
import { Button } from "#ui/button";
import type { StoveData } from "./data";

/** The load stands in the wrong canner, and the burner is not lit yet: nothing has happened to it, so it comes out again. */
export function TakeOut({ data }: { data: StoveData }) {
  return (
    <Form method="post">
      <input type="hidden" name="key" value={data.key} />
      <input type="hidden" name="intent" value="take-out" />
      <Button weight="bare" className="!px-1">
        Take the load out of this canner
      </Button>
    </Form>
  );
}
