/**
 * What stays outside the server's build: what is compiled for the machine, starts threads from files of its own, or is
 * only loaded when somebody asks for it; and React, which must be one and the same for all.
 */
export const OUTSIDE = ["better-sqlite3", "sharp", "pino", "pdfkit", "jsqr", "echarts", "react", "react-dom"];

/** What the program reads from its packages beside that: the planner's solver in its own thread, and typefaces of PDF. */
export const READ = ["highs", "dejavu-fonts-ttf"];

/** Programs that are built beside the server, by the name of their file. */
export const PROGRAMS = {
  /** looks at a larder's file; the server starts it */
  inspect: "store/backup/inspect-main.ts",
  /** has the system start the larder by itself */
  autostart: "app/autostart/command.ts",
  /** says whether a larder's past was altered */
  verify: "store/history/command.ts",
};
