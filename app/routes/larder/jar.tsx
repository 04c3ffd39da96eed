import { useDraggable } from "@dnd-kit/core";
import { href, Link } from "react-router";
import type { Shelved } from "#store/shelf";
import { StoredGlyph } from "#ui/glyph";
import { oneWords } from "../../words/shelf";
import { longDay, type Times } from "../../words/time";

/** One container on a shelf: its drawing is its tick and its handle, its code leads to its story. */
export function Jar({ c, now, times }: { c: Shelved; now: number; times: Times }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: c.id,
    data: { placeId: c.placeId },
  });
  const past = c.bestBy < now;
  const kept = c.aside ? "recalled" : c.holds.length ? "on hold" : null;
  return (
    <li className={`flex flex-col items-center ${isDragging ? "relative z-20 opacity-80" : ""}`}>
      <Link to={href("/c/:code", { code: c.code })} className="jar-code">
        <span className={`code ${past ? "text-amber underline decoration-double" : ""}`}>{c.code}</span>
        {kept && <b className="text-stop">{kept}</b>}
        {c.deviations.length > 0 && <b className="text-stop">went ahead anyway</b>}
      </Link>
      <label
        ref={setNodeRef}
        {...listeners}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
        className="jar"
        title={[`Best by ${longDay(c.bestBy, times)}`, ...c.deviations].join("; ")}
      >
        <input
          type="checkbox"
          name="containerIds"
          value={c.id}
          aria-label={`${c.code}: ${oneWords(c)}${past ? ", past best-by" : ""}${kept ? `, ${kept}` : ""}`}
        />
        <StoredGlyph c={c} scale={0.46} shared />
        <i aria-hidden="true">✓</i>
      </label>
    </li>
  );
}
