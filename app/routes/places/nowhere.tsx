/** Any address that leads nowhere. */
export function loader() {
  throw new Response(
    "The address leads nowhere. Places are in the row above; a code can be typed at the top.",
    { status: 404 },
  );
}

export default function Nowhere() {
  return null;
}
