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
}

export interface ChoiceField<Option extends string = string> {
  type: 'choice';
  label: string;
  options: Readonly<Record<Option, string>>;
  default: Option;
  source: Source;
}

export type Field = NumberField | ChoiceField;
export type FieldSet = Readonly<Record<string, Field>>;

/** The plain value a field holds. */
export type Value = number | string;
export type Values = Readonly<Record<string, Value>>;

export type ValuesOf<F extends FieldSet> = {
  readonly [K in keyof F]: F[K] extends ChoiceField<infer Option> ? Option : number;
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

/** Says what is wrong with a value for a field and what would be valid; `undefined` when it is fine. */
export function complaint(field: Field, value: unknown): string | undefined {
  if (field.type === 'number') {
    const fits = typeof value === 'number' && value >= field.min && value <= field.max;
    return fits ? undefined : `must be a number from ${field.min} to ${field.max} ${field.unit}`.trim();
  }
  const fits = typeof value === 'string' && Object.hasOwn(field.options, value);
  return fits ? undefined : `must be one of ${Object.keys(field.options).join(', ')}`;
}
