/**
 * Typed descriptions of a device's numbers, choices and flags: what a form needs to
 * ask for one, what the schema needs to check it, and where its default comes from.
 */

/** Where a value comes from when nobody has read it off the part. */
export type Source = 'from memory' | 'common practice' | 'read the label' | 'arithmetic' | string;

export interface NumberField {
  type: 'number';
  label: string;
  unit: string;
  default: number;
  min: number;
  max: number;
  source: Source;
  /** Where a figure far from the right one shows once all has settled, and not only in how long something takes. */
  showsWith?(settings: Readonly<Record<string, Value>>): boolean;
}

export interface ChoiceField<Option extends string = string> {
  type: 'choice';
  label: string;
  options: Readonly<Record<Option, string>>;
  default: Option;
  source: Source;
}

/** A selection of terminals: mark by mark, or a ready-made set named by its id. */
export interface MarksField {
  type: 'marks';
  label: string;
  /** Every mark there is, in the order they are listed. */
  marks: Readonly<Record<string, MarkRule>>;
  sets: Readonly<Record<string, MarkSet>>;
  /** Of each group at least one must be there. */
  needs: readonly (readonly string[])[];
  /** Id of a set. */
  default: string;
  source: Source;
}

export interface MarkRule {
  /** What is printed beside the terminal. */
  shown: string;
  /** Marks that cannot be beside it: it serves in their place. */
  instead: readonly string[];
  /** Marks that are there whenever it is. */
  beside: readonly string[];
}

export interface MarkSet {
  label: string;
  marks: readonly string[];
  /** What its marks mean hangs together: it is taken whole, never mark by mark. */
  whole?: true;
}

export type Field = NumberField | ChoiceField | MarksField;
export type FieldSet = Readonly<Record<string, Field>>;

/** The plain value a field holds. */
export type Value = number | string;
export type Values = Readonly<Record<string, Value>>;

export type ValuesOf<F extends FieldSet> = {
  readonly [K in keyof F]: F[K] extends ChoiceField<infer Option>
    ? Option
    : F[K] extends MarksField
      ? string
      : number;
};

export function num(field: Omit<NumberField, 'type'>): NumberField {
  return { type: 'number', ...field };
}

export function choice<const Options extends Readonly<Record<string, string>>>(
  label: string,
  options: Options,
  fallback: keyof Options & string,
  source: Source = 'read the label',
): ChoiceField<keyof Options & string> {
  return { type: 'choice', label, options, default: fallback, source };
}

/** The marks a value selects, in the order they are listed. */
export function marksIn(
  { marks, sets }: Pick<MarksField, 'marks' | 'sets'>,
  value: string,
): readonly string[] {
  if (Object.hasOwn(sets, value)) return sets[value]!.marks;
  const chosen = value.split(' ');
  return Object.keys(marks).filter((mark) => chosen.includes(mark));
}

/**
 * A selection with one mark more or less, and what must come or go with it; a ready-made set by its id.
 * A set that is taken whole is left as it is.
 */
export function toggleMark(field: MarksField, value: string, mark: string): string {
  const { marks, sets } = field;
  if (sets[value]?.whole) return value;
  const before = marksIn(field, value);
  const { instead, beside } = marks[mark]!;
  const after = before.includes(mark)
    ? before.filter((one) => one !== mark && !beside.includes(one))
    : [...before.filter((one) => !instead.includes(one)), mark, ...beside];
  const chosen = Object.keys(marks).filter((one) => after.includes(one));
  const same = Object.entries(sets).find(
    ([, set]) =>
      !set.whole && set.marks.length === chosen.length && set.marks.every((one) => chosen.includes(one)),
  );
  return same ? same[0] : chosen.join(' ');
}

/** What is said of a value where a person reads it. */
export function said(field: Field, value: Value): string {
  if (field.type === 'number') return `${value} ${field.unit}`.trim();
  if (field.type === 'choice') return field.options[String(value)] ?? String(value);
  return field.sets[value]?.label ?? String(value);
}

/** Seconds, for the many delays a control circuit has. */
export function seconds(
  label: string,
  fallback: number,
  max: number,
  source: Source = 'from memory',
): NumberField {
  return num({ label, unit: 's', default: fallback, min: 0, max, source });
}

/** Defaults of a field set, overridden by what the document says. */
export function fill(fields: FieldSet, given: Values): Values {
  const values: Record<string, Value> = {};
  for (const [name, field] of Object.entries(fields)) values[name] = given[name] ?? field.default;
  return values;
}

function marksComplaint({ marks, sets, needs }: MarksField, value: unknown): string | undefined {
  const known = `one of ${Object.keys(sets).join(', ')}, or marks out of ${Object.keys(marks).join(' ')}`;
  if (typeof value !== 'string') return `must be ${known}`;
  if (Object.hasOwn(sets, value)) return undefined;
  const chosen = value.split(' ');
  const strange = chosen.find((mark) => !Object.hasOwn(marks, mark));
  if (strange !== undefined)
    return `must be ${known}, each once with a space between; "${strange}" is neither`;
  if (new Set(chosen).size < chosen.length) return 'must name each mark once';
  for (const mark of chosen) {
    const { instead, beside } = marks[mark]!;
    const rival = instead.find((one) => chosen.includes(one));
    if (rival !== undefined) return `must have ${mark} or ${rival}, not both`;
    const lacks = beside.find((one) => !chosen.includes(one));
    if (lacks !== undefined) return `must have ${lacks} beside ${mark}`;
  }
  const lacking = needs.find((group) => !group.some((mark) => chosen.includes(mark)));
  return lacking && `must have one of ${lacking.join(', ')}`;
}

/** Says what is wrong with a value for a field and what would be valid; `undefined` when it is fine. */
export function complaint(field: Field, value: unknown): string | undefined {
  if (field.type === 'number') {
    const fits = typeof value === 'number' && value >= field.min && value <= field.max;
    return fits ? undefined : `must be a number from ${field.min} to ${field.max} ${field.unit}`.trim();
  }
  if (field.type === 'marks') return marksComplaint(field, value);
  const fits = typeof value === 'string' && Object.hasOwn(field.options, value);
  return fits ? undefined : `must be one of ${Object.keys(field.options).join(', ')}`;
}
