/** A statement as its database takes it: places for values, and the values in their order. */
export type Bound = Readonly<{ text: string; values: unknown[] }>;

/** How a place for the n-th value is written, counted from one. */
export type Place = (n: number) => string;

/** A statement between the names of its parameters: one text more than names. */
type Parsed = Readonly<{ texts: readonly string[]; names: readonly string[] }>;

/** Quoted text and types are no parameters, whatever stands in them. */
const NAME_OR_QUOTED = /'(?:[^']|'')*'|"(?:[^"]|"")*"|::\w+|:([A-Za-z_]\w*)/g;
const KEPT = 2000;
const parsed = new Map<string, Parsed>();

function parse(sql: string): Parsed {
  const before = parsed.get(sql);
  if (before) return before;
  const texts: string[] = [];
  const names: string[] = [];
  let from = 0;
  for (const found of sql.matchAll(NAME_OR_QUOTED)) {
    const [whole, name] = found;
    if (name === undefined) continue;
    texts.push(sql.slice(from, found.index));
    names.push(name);
    from = found.index + whole.length;
  }
  const result = { texts: [...texts, sql.slice(from)], names };
  if (parsed.size >= KEPT) parsed.clear();
  parsed.set(sql, result);
  return result;
}

/**
 * As many values as the next power of two, the last one said again: a list of any length then needs few statements, and in
 * `IN (…)` saying it again means nothing.
 */
function padded(list: readonly unknown[]): readonly unknown[] {
  const length = 2 ** Math.ceil(Math.log2(list.length));
  return [...list, ...Array.from({ length: length - list.length }, () => list.at(-1))];
}

/**
 * A statement with `:names` and its values. A list, which stands in `IN (:ids)` alone and must not be empty, becomes a place
 * for each of its values.
 * @throws Error for a name without a value.
 */
export function bind(sql: string, named: Readonly<Record<string, unknown>>, place: Place): Bound {
  const { texts, names } = parse(sql);
  const values: unknown[] = [];
  const next = (value: unknown): string => place(values.push(value));
  let text = texts[0]!;
  names.forEach((name, i) => {
    const value = named[name];
    if (value === undefined) throw new Error(`No value for :${name} in ${sql}`);
    if (Array.isArray(value) && value.length === 0) throw new Error(`An empty list for :${name} in ${sql}`);
    text += Array.isArray(value) ? padded(value).map(next).join(', ') : next(value);
    text += texts[i + 1]!;
  });
  return { text, values };
}
