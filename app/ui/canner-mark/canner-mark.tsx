/** Forms and colours that are told apart side by side, with wet eyes and without colours. */
const MARKS = [
  "rounded-none bg-copper text-on-copper",
  "rounded-full bg-steam text-paper",
  "rounded-tl-[1.2rem] rounded-br-[1.2rem] bg-moss text-paper",
  "rounded-t-full bg-amber text-paper",
];

/**
 * The mark of a canner: its first letter on a form and colour of its own, so that a thumb between two canners sees which
 * one it speaks for.
 * @param place its place among the household's canners, from 0
 */
export function CannerMark({ name, place }: { name: string; place: number }) {
  return (
    <span
      aria-hidden="true"
      className={`inline-flex size-9 shrink-0 items-center justify-center text-[1.15rem] font-[800] ${MARKS[place % MARKS.length]}`}
    >
      {name.charAt(0).toUpperCase()}
    </span>
  );
}
