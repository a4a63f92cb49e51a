/** The part of JSON Schema by which fields of steps are declared. */
interface Schema {
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly pattern?: string;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly items?: Schema;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly patternProperties?: Readonly<Record<string, Schema>>;
  readonly additionalProperties?: boolean | Schema;
  readonly required?: readonly string[];
  readonly minProperties?: number;
  readonly maxProperties?: number;
}

/**
 * Whether a value is of the form that a field's schema asks for. Documents are validated where they arrive; what is typed into a field
 * is not a document yet.
 */
export function fits(schema: object, value: unknown): boolean {
  const s = schema as Schema;
  if (s.enum) return s.enum.includes(value);
  if (s.anyOf) return s.anyOf.some((one) => fits(one, value));
  if (s.type !== undefined && ![s.type].flat().some((type) => isOf(type, value))) return false;
  if (typeof value === 'string') return textFits(s, value);
  if (Array.isArray(value))
    return (
      within(value.length, s.minItems, s.maxItems) && value.every((item) => !s.items || fits(s.items, item))
    );
  return typeof value !== 'object' || value === null || objectFits(s, value as Record<string, unknown>);
}

function isOf(type: string, value: unknown): boolean {
  switch (type) {
    case 'array':
      return Array.isArray(value);
    case 'object':
      return typeof value === 'object' && value !== null && !Array.isArray(value);
    case 'integer':
      return Number.isInteger(value);
    default:
      return typeof value === type;
  }
}

const textFits = ({ minLength, maxLength, pattern }: Schema, text: string): boolean =>
  within(text.length, minLength, maxLength) && (pattern === undefined || new RegExp(pattern).test(text));

function objectFits(s: Schema, value: Record<string, unknown>): boolean {
  const keys = Object.keys(value);
  return (
    within(keys.length, s.minProperties, s.maxProperties) &&
    (s.required ?? []).every((key) => Object.hasOwn(value, key)) &&
    keys.every((key) => {
      const schema = schemaOf(s, key);
      return schema !== undefined && fits(schema, value[key]);
    })
  );
}

/** The schema of a property; undefined where there may be none of that name. */
function schemaOf(s: Schema, key: string): Schema | undefined {
  if (s.properties && Object.hasOwn(s.properties, key)) return s.properties[key];
  const patterned = Object.entries(s.patternProperties ?? {}).find(([name]) => new RegExp(name).test(key));
  if (patterned) return patterned[1];
  return typeof s.additionalProperties === 'object' ? s.additionalProperties : undefined;
}

const within = (size: number, least = 0, most = Infinity): boolean => size >= least && size <= most;
