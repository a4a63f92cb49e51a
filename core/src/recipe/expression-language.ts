import { create, all, type MathNode, type Unit } from 'mathjs';
import { fail } from '../problem.js';

/** A value of the language: a pure number, a number with a unit, a truth value or text. */
export type ExpressionValue = number | boolean | string | Unit;

/** Where an expression stands, for messages. */
export interface Place {
  /** In words, e.g. `parameter "span"`. */
  readonly what: string;
  readonly where: Record<string, unknown>;
}

/** An expression that was read, with the names that it uses. */
export interface Compiled {
  readonly text: string;
  readonly names: readonly string[];
  /** Those of them that are units where the scope does not know them. */
  readonly units: ReadonlySet<string>;
  readonly run: (scope: Map<string, ExpressionValue>) => unknown;
}

const math = create(all!, { predictable: true });

// `role == "column"`: the package compares text as numbers unless told otherwise
for (const [name, same] of [
  ['equal', true],
  ['unequal', false],
] as const) {
  const numeric = (math as unknown as Record<string, { signatures: Record<string, unknown> }>)[name]!;
  const merged = math.typed(name, {
    ...(numeric.signatures as Record<string, (a: unknown, b: unknown) => unknown>),
    'string, string': (a: unknown, b: unknown) => (a === b) === same,
  });
  math.import({ [name]: merged }, { override: true });
}

const allowedFunctions = new Set(
  'abs sqrt cbrt min max round floor ceil sin cos tan asin acos atan atan2 hypot exp log log10'.split(' '),
);
const allowedNodes = new Set([
  'ConstantNode',
  'SymbolNode',
  'OperatorNode',
  'ParenthesisNode',
  'FunctionNode',
  'ConditionalNode',
  'RelationalNode',
]);
const allowedConstants = new Set(['pi', 'e', 'true', 'false']);
const longest = 400;
const mostNodes = 200;

const compiled = new Map<string, Compiled>();
const mostKept = 2000;

/**
 * Reads an expression; only pure arithmetic on numbers, units, truth values and names is let through.
 *
 * @throws ProblemError `expression` with what is wrong and at which character
 */
export function compileExpression(text: string, place: Place): Compiled {
  const known = compiled.get(text);
  if (known) return known;
  if (text.length > longest)
    reject(place, text, `it is longer than ${longest} characters; split it into parameters`);
  let node: MathNode;
  try {
    node = math.parse(text);
  } catch (error) {
    return reject(place, text, error instanceof Error ? error.message : String(error));
  }
  const names = new Set<string>();
  let count = 0;
  node.traverse((part, path, parent) => {
    if (++count > mostNodes) reject(place, text, 'it has too many parts; split it into parameters');
    if (!allowedNodes.has(part.type)) reject(place, text, `${describeNode(part.type)} is not allowed here`);
    const called = (parent as MathNode | null)?.type === 'FunctionNode' && path === 'fn';
    if (part.type === 'SymbolNode') {
      const name = (part as unknown as { name: string }).name;
      if (called) {
        if (!allowedFunctions.has(name)) reject(place, text, `there is no function "${name}"`);
      } else names.add(name);
    }
    if (part.type === 'FunctionNode' && (part as unknown as { fn: MathNode }).fn.type !== 'SymbolNode')
      reject(place, text, 'only named functions can be called');
  });
  const code = node.compile();
  const used = [...names].filter((name) => !allowedConstants.has(name));
  const result: Compiled = {
    text,
    names: used,
    units: new Set(used.filter(isUnitName)),
    run: (scope) => code.evaluate(scope) as unknown,
  };
  if (compiled.size >= mostKept) compiled.delete(compiled.keys().next().value!);
  compiled.set(text, result);
  return result;
}

function describeNode(type: string): string {
  const words: Record<string, string> = {
    AssignmentNode: 'an assignment',
    FunctionAssignmentNode: 'a definition',
    BlockNode: 'a list of statements',
    AccessorNode: 'access to a part',
    IndexNode: 'an index',
    ArrayNode: 'an array',
    ObjectNode: 'an object',
    RangeNode: 'a range',
  };
  return words[type] ?? `a ${type}`;
}

/** Whether a name means a unit to the language, so that no parameter may take it. */
export function isUnitName(name: string): boolean {
  return math.Unit.isValuelessUnit(name);
}

/** Names that are taken by the language itself. */
export function isReservedName(name: string): boolean {
  return (
    isUnitName(name) || allowedFunctions.has(name) || allowedConstants.has(name) || reservedWords.has(name)
  );
}

const reservedWords = new Set([
  ...[
    'and',
    'or',
    'not',
    'xor',
    'to',
    'in',
    'mod',
    'true',
    'false',
    'null',
    'undefined',
    'NaN',
    'Infinity',
    'i',
  ],
  // Attributes that rules read
  ...['step', 'role', 'place', 'level', 'bay', 'row', 'side', 'length', 'slope', 'x', 'y', 'z'],
]);

/** Throws an `expression` problem. */
export function reject(place: Place, text: string, reason: string): never {
  return fail('expression', `${sentence(place.what)}: "${text}" cannot be read: ${reason}.`, {
    ...place.where,
    expression: text,
  });
}

/** With a capital letter. */
export function sentence(what: string): string {
  return what.charAt(0).toUpperCase() + what.slice(1);
}

/** Whether a value carries a unit. */
export function isUnit(value: unknown): value is Unit {
  return math.isUnit(value);
}

/** A number in a unit of the language. */
export function unitValue(value: number, unit: string): Unit {
  let base = unitBases.get(unit);
  if (!base) unitBases.set(unit, (base = math.unit(1, unit)));
  const result = base.clone();
  result.value = base.value * value;
  return result;
}

/** One of each unit, read once. */
const unitBases = new Map<string, Unit>();
