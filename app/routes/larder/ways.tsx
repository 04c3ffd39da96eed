import { Form, href, Link } from "react-router";
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
            className="input w-56 max-md:w-full"
          />
        </label>
        <Button>Search</Button>
      </Form>
      <Button asChild>
        <Link to={href("/larder/scan")}>Scan</Link>
      </Button>
      <nav aria-label="About the larder" className="flex flex-wrap">
        {[
          [href("/larder/eating"), "Eating"],
          [href("/larder/charts"), "Charts"],
          [href("/larder/rooms"), "Rooms"],
          [href("/larder/labels"), "Labels"],
          [href("/larder/gifts"), "Gift labels"],
          [href("/larder/recalls"), "Recalls"],
        ].map(([to, name]) => (
          <Link key={to} to={to!} className="flex min-h-12 min-w-12 items-center px-2 text-ink">
            {name}
          </Link>
        ))}
      </nav>
    </div>
  );
}
