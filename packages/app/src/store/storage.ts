/** The little that this browser keeps from visit to visit: settings, and how each bench was left. */
const PREFIX = 'zygostat.1';

/** What was written under a key, unchecked. */
export function readKept(key: string): unknown {
  try {
    const text = localStorage.getItem(`${PREFIX}.${key}`);
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}

export function writeKept(key: string, value: unknown): void {
  try {
    if (value === undefined) localStorage.removeItem(`${PREFIX}.${key}`);
    else localStorage.setItem(`${PREFIX}.${key}`, JSON.stringify(value));
  } catch {
    // A full or forbidden store costs only what is kept here.
  }
}

/** Names of what is kept under a first word, such as the jobs under `bench`. */
export const namesKept = (first: string): string[] =>
  Object.keys(localStorage).flatMap((key) =>
    key.startsWith(`${PREFIX}.${first}.`) ? [key.slice(`${PREFIX}.${first}.`.length)] : [],
  );
