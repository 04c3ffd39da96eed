import { patternOf, type Contents } from "#ui/glyph";

/**
 * A lot's mark: its color, its pattern and its letter, always together. The code or the name of the lot stands beside it,
 * so there is nothing to say of it to whoever does not see it.
 */
export function LotMark({ code, contents, size = 34 }: { code: string; contents: Contents; size?: number }) {
  const letter = patternOf(code);
  return (
    <svg width={size} height={size} viewBox="0 0 68 68" className="shrink-0" aria-hidden="true">
      <rect x="2" y="2" width="64" height="64" rx="6" fill={`var(--${contents})`} />
      <rect
        x="2"
        y="2"
        width="64"
        height="64"
        rx="6"
        fill={`url(#lot-${letter})`}
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <circle cx="34" cy="34" r="19" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="3" />
      <text
        x="34"
        y="45"
        textAnchor="middle"
        fontSize="31"
        fontWeight="700"
        fill="var(--ink)"
        fontFamily="var(--font-figure)"
      >
        {letter}
      </text>
    </svg>
  );
}

/** A code, as it is written on a lid or bag. */
export function Code({ children }: { children: string }) {
  return <span className="code">{children}</span>;
}
