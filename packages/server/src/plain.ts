/**
 * Fields named like what every object has (`toString`, `__proto__`) are none of ours, and are let in nowhere: whoever looks a field
 * up by its name would find something.
 */
const isBuiltIn = (name: string) => name in Object.prototype;

/**
 * Refuses such a field anywhere in a JSON body.
 * @throws SyntaxError which the parser of bodies answers as its own.
 */
export function ownFields(name: string, value: unknown): unknown {
  if (isBuiltIn(name)) throw new SyntaxError(`${name} is the name of no field`);
  return value;
}

/** A query as plain text by name; of a name given twice the last counts. */
export const plainQuery = (text: string): Record<string, string> =>
  Object.fromEntries([...new URLSearchParams(text)].filter(([name]) => !isBuiltIn(name)));
