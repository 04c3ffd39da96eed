import { Form, Link } from "react-router";
import { Button } from "#ui/button";

/** Search, and the pages beside the shelves. */
export function Ways({ search }: { search: string }) {
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2 max-md:w-full">
      <Form role="search" className="flex items-end gap-2 max-md:w-full">
        <label className="max-md:flex-1">
          <span className="sr-only">Search the shelves</span>
          <input
            name="q"
            type="search"
            defaultValue={search}
            placeholder="pike, box 3, 2025, a code"
            className="min-h-12 w-56 rounded border-2 border-ink bg-sheet px-3 max-md:w-full"
          />
        </label>
        <Button>Search</Button>
      </Form>
      <Button asChild>
        <Link to="/larder/scan">Scan</Link>
      </Button>
      <nav aria-label="About the larder" className="flex flex-wrap">
        {[
          ["/larder/eating", "Eating"],
          ["/larder/charts", "Charts"],
          ["/larder/rooms", "Rooms"],
          ["/larder/labels", "Labels"],
          ["/larder/recalls", "Recalls"],
        ].map(([to, name]) => (
          <Link key={to} to={to!} className="flex min-h-12 min-w-12 items-center px-2 text-ink">
            {name}
          </Link>
        ))}
      </nav>
    </div>
  );
}
