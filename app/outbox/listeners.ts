/** Whoever wants to be told of something, each by a call. */
export interface Listeners<T extends unknown[]> {
  tell(...what: T): void;
  /** @returns how to stop it */
  add(listener: (...what: T) => void): () => void;
}

/** Nobody listens at first. @param empty called when nobody listens any more */
export function listenersOf<T extends unknown[] = []>(empty?: () => void): Listeners<T> {
  const all = new Set<(...what: T) => void>();
  return {
    tell: (...what) => {
      for (const listener of all) listener(...what);
    },
    add: (listener) => {
      all.add(listener);
      return () => {
        all.delete(listener);
        if (all.size === 0) empty?.();
      };
    },
  };
}
