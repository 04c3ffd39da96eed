import { Link } from "react-router";
import { Button } from "../button/index.ts";

/**
 * Ways on and back in a long list.
 * @param skip how many came before those that are shown
 * @param more whether any come after them
 * @param words what the next and the previous ones are called
 */
export function More({
  skip,
  step,
  more,
  words: [next, previous],
}: {
  skip: number;
  step: number;
  more: boolean;
  words: readonly [next: string, previous: string];
}) {
  if (skip === 0 && !more) return null;
  return (
    <p className="mt-4 flex flex-wrap gap-3">
      {skip > 0 && (
        <Button asChild>
          <Link to={skip > step ? `?skip=${skip - step}` : "?"}>{previous}</Link>
        </Button>
      )}
      {more && (
        <Button asChild>
          <Link to={`?skip=${skip + step}`}>{next}</Link>
        </Button>
      )}
    </p>
  );
}
