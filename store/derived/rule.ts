/** Something the database keeps by itself: a trigger or a view, as the statement that makes it. */
export interface Rule {
  /** its name in the database */
  name: string;
  kind: "trigger" | "view";
  sql: string;
}

/** What must hold between what is kept and the records it is kept from. */
export interface Invariant {
  /** what is wrong where it does not hold */
  wrong: string;
  /** finds what does not agree: one row for each, with at most its code */
  sql: string;
  /** the first layout of the tables that can be asked */
  since: number;
}

/** What one thing the database keeps consists of. */
export interface Derived {
  rules: Rule[];
  invariants: Invariant[];
}

/**
 * Returns a trigger as a rule.
 *
 * @param when its event, such as `after insert on lot`
 * @param body its statements
 */
export const trigger = (name: string, when: string, ...body: string[]): Rule => ({
  name,
  kind: "trigger",
  sql: `CREATE TRIGGER ${name} ${when} BEGIN\n${body.map((line) => `  ${line};\n`).join("")}END`,
});

/** Returns a view as a rule. */
export const view = (name: string, select: string): Rule => ({
  name,
  kind: "view",
  sql: `CREATE VIEW ${name} AS\n${select}`,
});
