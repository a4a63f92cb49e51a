import { ownValue } from '../base/own-value.js';
import { fail } from '../base/problem.js';
import { readUnit } from '../units/read-unit.js';
import { combined, isPure, pureNumber } from './dimension.js';
import { functions, summed } from './functions.js';
import { readTree, reject, sentence, type Place, type Tree } from './tree.js';
import {
  describeType,
  numberOf,
  tagTypes,
  text as textType,
  truth,
  type Scope,
  type Tags,
  type Value,
  type ValueType,
} from './types.js';
import type { Units } from '../units/units.js';

/** What an expression may refer to while it is compiled. */
export interface Names {
  readonly parameters: Scope;
  /** In which what is wrong is told, and bare numbers are taken where they may be. */
  readonly units: Units;
  /** Whether tags of a thing are at hand. */
  readonly tags?: boolean;
  /** Position of a named axis, m; undefined where there is none of that name. */
  readonly axis?: (name: string) => number | string | undefined;
}

/** Values at a run; `undefined` marks a tag that the thing does not have. */
type Run = (tags: Tags) => Value | undefined;

/** An expression with its units settled: running it is arithmetic on SI numbers. */
export interface Program {
  readonly text: string;
  readonly type: ValueType;
  readonly run: Run;
  /** The tags that it reads. */
  readonly reads: ReadonlySet<string>;
}

interface Typed {
  readonly type: ValueType;
  readonly run: Run;
  readonly constant?: Value;
}

const constants: Readonly<Record<string, number>> = { pi: Math.PI, e: Math.E, tau: 2 * Math.PI };
const noTags: Tags = {};

/** Relative and absolute difference (SI) below which numbers compare as equal: geometry is computed, not typed. */
const alike = 1e-9;
const equalNumbers = (a: number, b: number) =>
  Math.abs(a - b) <= alike * Math.max(1, Math.abs(a), Math.abs(b));

/**
 * Compiles an expression for the parameters as they are: their values are taken in, tags stay open.
 *
 * @throws ProblemError `expression`, `unknown-name`, `unit`
 */
export function compile(text: string, names: Names, place: Place): Program {
  const kept = names.tags ? keptOfTags : keptOfNone;
  const known = kept.get(text);
  if (known?.words.every((word) => !names.parameters.has(word))) return known.program;
  const compiler = new Compiler(text, names, place);
  const { type, run } = compiler.of(readTree(text, place));
  const program: Program = { text, type, run, reads: compiler.reads };
  if (!compiler.takesValues) {
    if (kept.size >= mostKept) kept.clear();
    kept.set(text, { program, words: [...compiler.words] });
  }
  return program;
}

interface KeptProgram {
  readonly program: Program;
  /** Units, constants and tags that it names: a parameter of the same name would take their place. */
  readonly words: readonly string[];
}

/** Programs in which no value of a parameter or axis is taken in, by their text: with tags at hand and without. */
const keptOfTags = new Map<string, KeptProgram>();
const keptOfNone = new Map<string, KeptProgram>();
const mostKept = 2_000;

class Compiler {
  readonly reads = new Set<string>();
  /** Units, constants and tags that were met. */
  readonly words = new Set<string>();
  /** Whether values of parameters or axes were taken in. */
  takesValues = false;

  constructor(
    private readonly text: string,
    private readonly names: Names,
    private readonly place: Place,
  ) {}

  of(tree: Tree): Typed {
    switch (tree.kind) {
      case 'constant':
        return this.constant(tree.value);
      case 'name':
        return this.name(tree.name);
      case 'operator':
        return this.folded(this.operator(tree.operator, tree.args), tree.args.length > 0);
      case 'call':
        return tree.name === 'axis' ? this.axis(tree.args) : this.call(tree.name, tree.args);
      case 'choice':
        return this.choice(tree.condition, tree.yes, tree.no);
    }
  }

  private constant(value: Value): Typed {
    if (typeof value === 'boolean') return { type: truth, run: () => value, constant: value };
    if (typeof value === 'string') return { type: textType, run: () => value, constant: value };
    const type: ValueType = { kind: 'number', dimension: pureNumber, ...(value === 0 ? { zero: true } : {}) };
    return { type, run: () => value, constant: value };
  }

  private name(name: string): Typed {
    const parameter = this.names.parameters.get(name);
    if (parameter) {
      this.takesValues = true;
      const { value, type } = parameter;
      return { type, run: () => value, constant: value };
    }
    this.words.add(name);
    const tag = this.names.tags ? tagTypes.get(name) : undefined;
    if (tag) {
      this.reads.add(name);
      return { type: tag, run: (tags) => tags[name] };
    }
    const constant = ownValue(constants, name);
    if (constant !== undefined) return this.constant(constant);
    if (name === 'true' || name === 'false') return this.constant(name === 'true');
    const unit = readUnit(name);
    if (unit) return { type: numberOf(unit.dimension), run: () => unit.si, constant: unit.si };
    return fail(
      'unknown-name',
      `${sentence(this.place.what)} uses "${name}" in "${this.text}", which is no parameter${this.names.tags ? ', no tag' : ''} and no unit.`,
      { ...this.place.where, expression: this.text, name },
    );
  }

  /** What depends on no tag is worked out once. */
  private folded(typed: Typed, foldable: boolean): Typed {
    if (!foldable || typed.constant !== undefined || this.reads.size > 0) return typed;
    const value = typed.run(noTags);
    if (value === undefined) return typed;
    const zero = typed.type.kind === 'number' && typed.type.zero;
    const type = zero && value !== 0 ? { ...typed.type, zero: false } : typed.type;
    return { type, run: () => value, constant: value };
  }

  private operator(operator: string, args: readonly Tree[]): Typed {
    const [first, second] = args.map((arg) => this.of(arg));
    const a = first!;
    switch (operator) {
      case 'not':
        return this.logical(operator, [a]);
      case 'and':
      case 'or':
      case 'xor':
        return this.logical(operator, [a, second!]);
      case '==':
      case '!=':
      case '<':
      case '>':
      case '<=':
      case '>=':
        return this.comparison(operator, a, second!);
      case '%':
        if (!second) return this.number(a, (x) => x / 100);
        return this.modulo(a, second);
      case 'mod':
        return this.modulo(a, second!);
      case '^':
        return this.power(a, second!);
      default:
        break;
    }
    if (!second) return operator === '-' ? this.number(a, (x) => -x) : this.number(a, (x) => x);
    if (operator === '+' || operator === '-') {
      const type = summed(a.type, second.type);
      if (!type) this.mismatch(a, second, operator === '+' ? 'adds' : 'subtracts');
      return arithmetic(type, a, second, operator === '+' ? (x, y) => x + y : (x, y) => x - y);
    }
    const factor = operator === '*' ? 1 : -1;
    if (a.type.kind !== 'number' || second.type.kind !== 'number')
      return reject(
        this.place,
        this.text,
        `${describeType(a.type.kind === 'number' ? second.type : a.type)} cannot be multiplied or divided`,
      );
    const radians = a.type.radians === true || (factor === 1 && second.type.radians === true);
    const type: ValueType = {
      kind: 'number',
      dimension: combined(a.type.dimension, second.type.dimension, factor),
      ...(radians ? { radians } : {}),
    };
    return arithmetic(type, a, second, factor === 1 ? (x, y) => x * y : (x, y) => x / y);
  }

  /** One number, its type kept. */
  private number(a: Typed, value: (x: number) => number): Typed {
    if (a.type.kind !== 'number')
      return reject(this.place, this.text, `${describeType(a.type)} is no number`);
    const { run } = a;
    return {
      type: a.type,
      run: (tags) => {
        const x = run(tags);
        return x === undefined ? undefined : value(x as number);
      },
    };
  }

  private modulo(a: Typed, b: Typed): Typed {
    const type = summed(a.type, b.type);
    if (!type) this.mismatch(a, b, 'divides');
    return arithmetic(type, a, b, (x, y) => x - y * Math.floor(x / y));
  }

  private power(a: Typed, b: Typed): Typed {
    if (a.type.kind !== 'number' || b.type.kind !== 'number' || !isPure(b.type.dimension))
      return reject(this.place, this.text, 'an exponent must be a pure number');
    let { dimension } = a.type;
    if (!isPure(dimension)) {
      if (typeof b.constant !== 'number')
        return reject(this.place, this.text, 'a value with a unit can be raised to a fixed exponent only');
      dimension = combined(pureNumber, dimension, b.constant);
    }
    return arithmetic(numberOf(dimension), a, b, (x, y) => x ** y);
  }

  private logical(operator: string, args: readonly Typed[]): Typed {
    for (const { type } of args)
      if (type.kind !== 'truth')
        reject(this.place, this.text, `"${operator}" joins conditions, but ${describeType(type)} is none`);
    const a = args[0]!.run as (tags: Tags) => boolean | undefined;
    const b = args[1]?.run as (tags: Tags) => boolean | undefined;
    const runs: Record<string, Run> = {
      not: (tags) => !a(tags),
      and: (tags) => a(tags) === true && b(tags) === true,
      or: (tags) => a(tags) === true || b(tags) === true,
      xor: (tags) => (a(tags) === true) !== (b(tags) === true),
    };
    return { type: truth, run: runs[operator]! };
  }

  private comparison(operator: string, a: Typed, b: Typed): Typed {
    const numbers = a.type.kind === 'number' && b.type.kind === 'number';
    if (numbers ? !summed(a.type, b.type) : a.type.kind !== b.type.kind) this.mismatch(a, b, 'compares');
    if (!numbers && operator !== '==' && operator !== '!=')
      reject(this.place, this.text, `${describeType(a.type)} has no order; compare it with == or !=`);
    const judge = numbers
      ? numericComparisons[operator]!
      : operator === '=='
        ? (x: Value, y: Value) => x === y
        : (x: Value, y: Value) => x !== y;
    const [left, right] = [a.run, b.run];
    // A comparison with a tag that a thing does not have is false
    return {
      type: truth,
      run: (tags) => {
        const x = left(tags);
        const y = right(tags);
        return x !== undefined && y !== undefined && (judge as (x: Value, y: Value) => boolean)(x, y);
      },
    };
  }

  private choice(condition: Tree, yes: Tree, no: Tree): Typed {
    const when = this.of(condition);
    const [a, b] = [this.of(yes), this.of(no)];
    if (when.type.kind !== 'truth') reject(this.place, this.text, 'before "?" a condition must stand');
    const type =
      a.type.kind === 'number' ? summed(a.type, b.type) : a.type.kind === b.type.kind ? a.type : undefined;
    if (!type) this.mismatch(a, b, 'gives');
    return { type: type, run: (tags) => (when.run(tags) === true ? a.run(tags) : b.run(tags)) };
  }

  private call(name: string, trees: readonly Tree[]): Typed {
    const called = functions.get(name);
    if (!called) return reject(this.place, this.text, `there is no function "${name}"`);
    if (trees.length < called.least || trees.length > called.most)
      reject(
        this.place,
        this.text,
        `${name} takes ${called.least === called.most ? called.least : `${called.least} to ${called.most}`} values`,
      );
    const args = trees.map((tree) => this.of(tree));
    for (const { type } of args)
      if (type.kind !== 'number')
        reject(this.place, this.text, `${name} takes numbers, not ${describeType(type)}`);
    const type = called.type(args.map((arg) => arg.type));
    if (typeof type === 'string') return reject(this.place, this.text, `${name}: ${type}`);
    const runs = args.map((arg) => arg.run);
    return this.folded(
      {
        type,
        run: (tags) => {
          const values: number[] = [];
          for (const run of runs) {
            const value = run(tags);
            if (value === undefined) return undefined;
            values.push(value as number);
          }
          return called.value(values);
        },
      },
      true,
    );
  }

  private axis(trees: readonly Tree[]): Typed {
    const [tree] = trees;
    const name = tree?.kind === 'constant' ? String(tree.value) : undefined;
    if (trees.length !== 1 || name === undefined)
      return reject(this.place, this.text, 'axis takes the name of an axis in quotes, such as axis("B")');
    this.takesValues = true;
    const at = this.names.axis?.(name);
    if (typeof at !== 'number')
      return fail(
        'unknown-name',
        `${sentence(this.place.what)}: in "${this.text}" ${at ?? `there is no axis "${name}"`}.`,
        { ...this.place.where, expression: this.text, name },
      );
    return { type: tagTypes.get('x')!, run: () => at, constant: at };
  }

  private mismatch(a: Typed, b: Typed, verb: string): never {
    return fail(
      'unit',
      `${sentence(this.place.what)}: "${this.text}" ${verb} ${describeType(a.type)} and ${describeType(b.type)}; write the unit beside each number.`,
      { ...this.place.where, expression: this.text },
    );
  }
}

function arithmetic(type: ValueType, a: Typed, b: Typed, value: (x: number, y: number) => number): Typed {
  const [left, right] = [a.run, b.run];
  return {
    type,
    run: (tags) => {
      const x = left(tags);
      const y = right(tags);
      return x === undefined || y === undefined ? undefined : value(x as number, y as number);
    },
  };
}

const numericComparisons: Readonly<Record<string, (x: number, y: number) => boolean>> = {
  '==': equalNumbers,
  '!=': (x, y) => !equalNumbers(x, y),
  '<': (x, y) => x < y && !equalNumbers(x, y),
  '>': (x, y) => x > y && !equalNumbers(x, y),
  '<=': (x, y) => x <= y || equalNumbers(x, y),
  '>=': (x, y) => x >= y || equalNumbers(x, y),
};
