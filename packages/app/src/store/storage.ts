/** The little that this browser keeps from visit to visit: settings, and how each bench was left. */
const PREFIX = 'zygostat.1';

/** For good, or as long as this tab is open. */
type Span = 'good' | 'tab';

const storeFor = (span: Span) => (span === 'tab' ? sessionStorage : localStorage);

/** What was written under a key, unchecked. */
export function readKept(key: string, span: Span = 'good'): unknown {
  try {
    const text = storeFor(span).getItem(`${PREFIX}.${key}`);
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}

export function writeKept(key: string, value: unknown, span: Span = 'good'): void {
  try {
    if (value === undefined) storeFor(span).removeItem(`${PREFIX}.${key}`);
    else storeFor(span).setItem(`${PREFIX}.${key}`, JSON.stringify(value));
  } catch {
    // A full or forbidden store costs only what is kept here.
  }
}
