/** The six patterns a lot can have, beside its colour and letter, so that it is known without colour. */
export const PATTERN_LETTERS = ["A", "B", "C", "D", "E", "F"] as const;
export type PatternLetter = (typeof PATTERN_LETTERS)[number];

/** Drawn once on every page; glyphs point at these by id. Sizes are in the glyph's millimetres. */
export function PatternDefs() {
  const common = { patternUnits: "userSpaceOnUse" } as const;
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        <pattern id="lot-A" {...common} width="14" height="14" patternTransform="rotate(45)">
          <rect width="4" height="14" fill="var(--mark)" />
        </pattern>
        <pattern id="lot-B" {...common} width="16" height="16">
          <circle cx="5" cy="5" r="3.2" fill="var(--mark)" />
          <circle cx="13" cy="13" r="3.2" fill="var(--mark)" />
        </pattern>
        <pattern id="lot-C" {...common} width="16" height="15">
          <rect width="16" height="4" fill="var(--mark)" />
        </pattern>
        <pattern id="lot-D" {...common} width="16" height="16" patternTransform="rotate(45)">
          <path d="M0 1.5h16M1.5 0v16" stroke="var(--mark)" strokeWidth="3" />
        </pattern>
        <pattern id="lot-E" {...common} width="13" height="16">
          <rect width="3.6" height="16" fill="var(--mark)" />
        </pattern>
        <pattern id="lot-F" {...common} width="22" height="14">
          <path d="M-2 12 L11 3 L24 12" fill="none" stroke="var(--mark)" strokeWidth="3.4" />
        </pattern>
        <pattern id="not-enough" {...common} width="10" height="10" patternTransform="rotate(45)">
          <rect width="3" height="10" fill="var(--stop)" opacity="0.55" />
        </pattern>
      </defs>
    </svg>
  );
}

/** The pattern of a lot, from its code: the same lot always looks the same. */
export function patternOf(code: string): PatternLetter {
  let sum = 0;
  for (const char of code) sum = (sum * 31 + char.charCodeAt(0)) % 997;
  return PATTERN_LETTERS[sum % PATTERN_LETTERS.length]!;
}
