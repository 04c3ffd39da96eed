/** Any address that leads nowhere. */
export function loader() {
  throw new Response("No page has this address. Check it, or choose from all pages.", { status: 404 });
}

export default function Nowhere() {
  return null;
}
