/** What a document's definition says may stand at a place. */
export interface Expected {
  /** Names of fields of an object there; of those in the document already `present`. */
  readonly fields: readonly {
    readonly name: string;
    readonly required: boolean;
    readonly present: boolean;
    /** What is written for it to begin with, as JSON. */
    readonly start: string;
  }[];
  /** Values, as JSON, where only some can stand there. */
  readonly values: readonly string[];
}

/** As much of JSON Schema (draft 7) as the documents' definitions use. */
interface Schema {
  readonly type?: string | readonly string[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly additionalProperties?: Schema | boolean;
  readonly items?: Schema | readonly Schema[];
  readonly required?: readonly string[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly allOf?: readonly Schema[];
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly if?: Schema;
  readonly then?: Schema;
  readonly else?: Schema;
}

/** A place in a document: names of fields and numbers in lists, from the outside in. */
export type DocumentPath = readonly (string | number)[];

/**
 * What can stand at a place of a document that is being written, by its definition. Where the definition goes by what is written beside
 * (a step's kind, a rule's subject), what is there already decides.
 *
 * @param document as far as it is written
 */
export function expectedAt(definition: object, document: unknown, path: DocumentPath): Expected {
  let schemas = applying(definition, document);
  let value = document;
  for (const key of path) {
    schemas = schemas.flatMap((schema) => inside(schema, key));
    value = isObject(value) ? value[String(key)] : Array.isArray(value) ? value[Number(key)] : undefined;
    schemas = schemas.flatMap((schema) => applying(schema, value));
  }
  const fields = new Map<string, Expected['fields'][number]>();
  for (const { properties = {} } of schemas)
    for (const [name, of] of Object.entries(properties)) {
      const required = schemas.some((schema) => schema.required?.includes(name) ?? false);
      const present = isObject(value) && Object.hasOwn(value, name);
      const start = fields.get(name)?.start ?? startOf(of);
      fields.set(name, { name, required, present, start: startOf(of) === 'null' ? start : startOf(of) });
    }
  const values = new Set(schemas.flatMap(valuesOf));
  return {
    fields: [...fields.values()].sort((a, b) => Number(b.required) - Number(a.required)),
    values: [...values],
  };
}

/** The schema with all that apply beside it: of alternatives all that the value does not rule out. */
function applying(given: object, value: unknown): Schema[] {
  const schema = given as Schema;
  const { allOf = [], anyOf = [], oneOf = [] } = schema;
  const conditional = schema.if ? (agrees(schema.if, value) ? schema.then : schema.else) : undefined;
  const alternatives = [...anyOf, ...oneOf];
  const open = alternatives.filter((one) => !contradicts(one, value));
  return [schema, ...allOf, ...(conditional ? [conditional] : []), ...open].flatMap((one) =>
    one === schema ? [one] : applying(one, value),
  );
}

/** Whether a value has what a condition asks for. */
function agrees({ required = [], properties = {} }: Schema, value: unknown): boolean {
  if (!isObject(value)) return required.length === 0;
  return (
    required.every((name) => Object.hasOwn(value, name)) &&
    Object.entries(properties).every(([name, of]) => !Object.hasOwn(value, name) || allows(of, value[name]))
  );
}

/** Whether what is written of a value already rules a schema out. */
function contradicts({ properties = {}, type }: Schema, value: unknown): boolean {
  if (value === undefined || value === null) return false;
  if (typeof type === 'string' && type !== kindOf(value)) return true;
  return (
    isObject(value) &&
    Object.entries(properties).some(
      ([name, of]) =>
        Object.hasOwn(value, name) && (of.const !== undefined || of.enum) && !allows(of, value[name]),
    )
  );
}

function allows(schema: Schema, value: unknown): boolean {
  if (schema.const !== undefined) return schema.const === value;
  return schema.enum ? schema.enum.includes(value) : true;
}

function inside({ properties = {}, additionalProperties, items }: Schema, key: string | number): Schema[] {
  if (typeof key === 'number') {
    if (Array.isArray(items)) return (items as readonly Schema[]).slice(key, key + 1);
    return items ? [items as Schema] : [];
  }
  if (Object.hasOwn(properties, key)) return [properties[key]!];
  return typeof additionalProperties === 'object' ? [additionalProperties] : [];
}

function valuesOf({ const: only, enum: some, type }: Schema): string[] {
  if (only !== undefined) return [JSON.stringify(only)];
  if (some) return some.map((value) => JSON.stringify(value));
  return type === 'boolean' ? ['true', 'false'] : [];
}

/** JSON to begin a value with. */
function startOf(schema: Schema): string {
  const [first] = valuesOf(schema);
  if (first !== undefined) return first;
  const type = Array.isArray(schema.type) ? (schema.type as readonly string[])[0] : schema.type;
  if (type === 'object') return '{}';
  if (type === 'array') return '[]';
  if (type === 'string') return '""';
  return type === 'number' || type === 'integer' ? '0' : 'null';
}

function kindOf(value: unknown): string {
  if (Array.isArray(value)) return 'array';
  return typeof value;
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
