/** What follows from one row or list that never changes is worked out once for it, and forgotten with it. */
export function onceFor<K extends object, V>(work: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, V>();
  return (of) => {
    let value = known.get(of);
    if (value === undefined) known.set(of, (value = work(of)));
    return value;
  };
}
