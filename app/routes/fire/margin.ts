/** How far above the target a run may be held, lb, as chosen when it is loaded. */
export const MARGINS = ["0", "0.5", "1", "2"] as const;
