/** What is to be found out, whole and not below 0: how many of something a plan has. */
export interface Variable {
  /** as the solver calls it; says nothing by itself */
  readonly name: string;
  /** not above this */
  most: number;
}

/** A linear expression: a coefficient for each variable. */
export type Terms = Map<Variable, number>;

export interface Row {
  terms: Terms;
  sense: "<=" | ">=" | "=";
  bound: number;
}

/** An integer program: every variable whole, not below 0 and not above its own most. */
export interface Linear {
  rows: Row[];
  variables: Variable[];
}

/** An integer program as it is written, variable by variable and row by row. */
export class ProgrammeBuilder implements Linear {
  readonly rows: Row[] = [];
  readonly variables: Variable[] = [];

  variable(most: number): Variable {
    const variable = { name: `v${this.variables.length}`, most };
    this.variables.push(variable);
    return variable;
  }
  row(sense: Row["sense"], bound: number, terms: Iterable<readonly [Variable, number]>): void {
    const summed: Terms = new Map();
    for (const [v, by] of terms) summed.set(v, (summed.get(v) ?? 0) + by);
    if (summed.size > 0) this.rows.push({ terms: summed, sense, bound });
  }
}

/** Returns each variable once, as the terms of a sum. */
export const each = (variables: Iterable<Variable>) => [...variables].map((v) => [v, 1] as const);

/** What a solver found, variable by variable. */
export type Values = ReadonlyMap<Variable, number>;

/** What a solver answers, in the shape HiGHS gives it. */
export interface SolverAnswer {
  Status: string;
  Columns: Readonly<Record<string, object>>;
}

/** Solves a programme written in LP format to a gap of nothing, within so many seconds. Given from outside: the core runs no solver of its own. */
export type Solver = (lp: string, seconds: number) => Promise<SolverAnswer> | SolverAnswer;

/**
 * Returns the values that minimize an objective, checked in whole numbers against every row, and whether the solver says
 * that nothing does better; null values when it found nothing sound in the time.
 *
 * @param settled further rows, for objectives that are fixed already
 * @param seconds the solver may take, > 0
 */
export async function minimized(
  programme: Linear,
  objective: Terms,
  settled: readonly Row[],
  solver: Solver,
  seconds: number,
): Promise<{ optimal: boolean; found: Values | null }> {
  const { Status, Columns } = await solver(lpText(programme, objective, settled), seconds);
  const found = new Map(
    programme.variables.map((v) => [
      v,
      Math.round((Columns[v.name] as { Primal?: number } | undefined)?.Primal ?? Number.NaN),
    ]),
  );
  const sound = [...programme.rows, ...settled].every((r) => holds(r, found));
  return { optimal: Status === "Optimal" && sound, found: sound ? found : null };
}

/** Returns what a sum comes to, whole. */
export function sumOf(terms: Terms, values: Values): number {
  let sum = 0;
  for (const [v, by] of terms) sum += by * (values.get(v) ?? 0);
  return sum;
}

/** Whether a row holds in whole numbers; never with a value that is none. */
function holds({ terms, sense, bound }: Row, values: Values): boolean {
  const sum = sumOf(terms, values);
  if (sense === "=") return sum === bound;
  return sense === "<=" ? sum <= bound : sum >= bound;
}

/**
 * Returns an integer program that minimizes an objective, as text in the CPLEX LP format, which HiGHS reads.
 *
 * @param settled further rows, for objectives that are fixed already
 */
export function lpText(programme: Linear, objective: Terms, settled: readonly Row[] = []): string {
  const [any] = programme.variables;
  const sum = (terms: Terms) => {
    const parts = [...terms].filter(([, by]) => by !== 0);
    if (parts.length === 0) return `0 ${any!.name}`;
    return parts.map(([v, by]) => `${by < 0 ? "-" : "+"} ${Math.abs(by)} ${v.name}`).join("\n ");
  };
  return [
    "Minimize",
    ` obj: ${sum(objective)}`,
    "Subject To",
    ...[...programme.rows, ...settled].map((r, i) => ` r${i}: ${sum(r.terms)} ${r.sense} ${r.bound}`),
    "Bounds",
    ...programme.variables.map(({ name, most }) => ` 0 <= ${name} <= ${most}`),
    "General",
    ` ${programme.variables.map((v) => v.name).join("\n ")}`,
    "End",
  ].join("\n");
}
