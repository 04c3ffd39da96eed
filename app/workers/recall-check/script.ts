/** What the page that checks a jar runs, by the name of its file in the build. */
export const CHECK_SCRIPT = "recall-check.js";
