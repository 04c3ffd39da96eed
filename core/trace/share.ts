/** One flow of weight from a source to what was made of it. Ids are of harvests, lots, packs or containers. */
export interface Flow {
  from: string;
  to: string;
  /** weight that went this way, kg, > 0 */
  massKg: number;
}

/** Share of each source in each node: `to → from → fraction`, the fractions into one node adding up to 1. */
export type Shares = Map<string, Map<string, number>>;

/**
 * Returns the fraction of each node, 0 to 1, that came from each of its direct sources, by weight.
 *
 * @param flows weights in kg, > 0
 * @throws RangeError when one is not above 0
 */
export function directShares(flows: readonly Flow[]): Shares {
  const shares: Shares = new Map();
  for (const { from, to, massKg } of flows) {
    if (!(massKg > 0)) throw new RangeError(`a flow carries more than 0 kg, got ${massKg}`);
    const into = shares.get(to) ?? new Map<string, number>();
    into.set(from, (into.get(from) ?? 0) + massKg);
    shares.set(to, into);
  }
  for (const into of shares.values()) {
    const total = [...into.values()].reduce((a, b) => a + b, 0);
    for (const [from, mass] of into) into.set(from, mass / total);
  }
  return shares;
}

/**
 * Returns the share of every harvest, 0 to 1, in each of some nodes, through any splits and merges: node → harvest →
 * fraction. A harvest is whatever nothing flows into; every source counts as evenly mixed. The shares of a node add up
 * to 1.
 *
 * @param flows all flows among the nodes' ancestors, kg, ≥ 0
 * @throws RangeError when flows run in a circle
 */
export function harvestSharesOfAll(
  nodes: Iterable<string>,
  flows: readonly Flow[],
): Map<string, Map<string, number>> {
  const direct = directShares(flows);
  const known = new Map<string, Map<string, number>>();
  const open = new Set<string>();
  const visit = (id: string): Map<string, number> => {
    const done = known.get(id);
    if (done) return done;
    if (open.has(id)) throw new RangeError(`flows run in a circle through ${id}`);
    open.add(id);
    const into = direct.get(id);
    let result = new Map<string, number>();
    if (!into) result.set(id, 1);
    // All of it from one source: the very same shares.
    else if (into.size === 1) result = visit(into.keys().next().value!);
    else {
      for (const [from, fraction] of into) {
        for (const [harvest, share] of visit(from)) {
          result.set(harvest, (result.get(harvest) ?? 0) + fraction * share);
        }
      }
    }
    open.delete(id);
    known.set(id, result);
    return result;
  };
  return new Map([...nodes].map((node) => [node, visit(node)]));
}
