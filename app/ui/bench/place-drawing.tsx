const LINE = { stroke: "var(--ink)", strokeWidth: 2, strokeLinejoin: "round" as const };

/** An animal on the hook. */
export function Hanging() {
  return (
    <svg width="54" height="64" viewBox="0 0 54 64" aria-hidden="true">
      <path d="M27 0v9q0 6-6 6" fill="none" {...LINE} />
      <path
        d="M14 20q13-9 26 0q7 11 3 22q0 10-5 19q-11 5-22 0q-5-9-5-19q-4-11 3-22z"
        fill="var(--meat)"
        {...LINE}
      />
      <path
        d="M18 31q9 6 18 0M17 42q10 6 20 0M19 52q8 4 16 0"
        fill="none"
        {...LINE}
        strokeWidth={1.6}
        opacity={0.6}
      />
    </svg>
  );
}

/** Parcels in the cold box: as many as there are lots, up to four. */
export function ColdBox({ lots }: { lots: number }) {
  const parcels = [
    [8, 10, 18, 24, "meat"],
    [28, 15, 16, 19, "fish"],
    [46, 8, 20, 26, "bird"],
    [19, 2, 18, 10, "meat"],
  ] as const;
  return (
    <svg width="76" height="62" viewBox="0 0 76 62" aria-hidden="true">
      {parcels.slice(0, Math.min(4, lots)).map(([x, y, w, h, c]) => (
        <rect key={x} x={x} y={y} width={w} height={h} fill={`var(--${c})`} {...LINE} />
      ))}
      <rect x="2" y="24" width="72" height="36" fill="var(--glass)" {...LINE} />
      <path d="M2 34h72M32 44h12" {...LINE} />
    </svg>
  );
}

/** The board and the knife. */
export function Board() {
  return (
    <svg width="84" height="30" viewBox="0 0 84 30" aria-hidden="true">
      <rect x="2" y="16" width="80" height="12" fill="var(--tin)" {...LINE} />
      <path d="M14 14h30q14 0 20-8q-20 3-50 3zM14 9H4v5h10" fill="var(--sheet)" {...LINE} />
    </svg>
  );
}

/** A sheet with lines on it. */
export function Sheet() {
  return (
    <svg width="50" height="58" viewBox="0 0 50 58" aria-hidden="true">
      <path d="M3 2h32l12 12v42H3z" fill="var(--sheet)" {...LINE} />
      <path d="M11 22h28M11 32h28M11 42h18" {...LINE} />
    </svg>
  );
}

/** The hand crank of a can sealer. */
export function Sealer() {
  return (
    <svg width="62" height="60" viewBox="0 0 62 60" aria-hidden="true">
      <path d="M8 58h40M14 58V6h26v12" fill="none" {...LINE} strokeWidth={3} />
      <rect x="24" y="18" width="30" height="8" fill="var(--tin)" {...LINE} />
      <rect x="27" y="40" width="24" height="18" fill="var(--tin)" {...LINE} />
      <circle cx="14" cy="14" r="6" fill="var(--paper)" {...LINE} />
    </svg>
  );
}

/** The canner, steaming when it does. */
export function Canner({ steaming, lit }: { steaming: boolean; lit: boolean }) {
  return (
    <svg width="90" height="86" viewBox="-1 -4 90 86" className="overflow-visible" aria-hidden="true">
      {steaming && (
        <path
          d="M40 12q-5-6 0-12M48 12q-5-6 0-12"
          stroke="var(--steam)"
          strokeWidth="2.6"
          fill="none"
          strokeLinecap="round"
        />
      )}
      <rect x="38" y="14" width="12" height="8" fill="var(--ink)" />
      <path d="M10 32q34-16 68 0v40h-68z" fill="var(--tin)" {...LINE} strokeWidth={2.4} />
      <path d="M10 36h68" {...LINE} />
      <path d="M2 44h10M76 44h10" stroke="var(--ink)" strokeWidth="5" />
      {lit && (
        <path
          d="M20 80q4-10 8 0q4-10 8 0q4-10 8 0q4-10 8 0q4-10 8 0q4-10 8 0"
          fill="none"
          stroke="var(--copper)"
          strokeWidth="2.6"
        />
      )}
    </svg>
  );
}
