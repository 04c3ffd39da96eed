/** Codes read off one shelf at most. */
const MOST = 2000;

/** Codes typed or scanned one after another, however they are set apart. */
export const codesIn = (text: string) =>
  text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .slice(0, MOST);
