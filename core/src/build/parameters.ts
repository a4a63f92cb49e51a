import { attempt, fail, problem, type Problem } from '../base/problem.js';
import { isReservedWord, namesIn, quantityOf, readTree } from '../language/evaluate.js';
import { functions } from '../language/functions.js';
import type { Names } from '../language/compile.js';
import type { Place } from '../language/tree.js';
import { tagTypes, text, typeOfQuantity, type Named, type Scope } from '../language/types.js';
import { readUnit } from '../units/read-unit.js';
import type { Design, QuantityParameter } from '../document/types.js';
import { significant } from '../units/significant.js';
import { metric } from '../units/units.js';

/** Range of a quantity's slider, SI. */
export interface ParameterRange {
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
}

/** Every parameter's value, and the range of the quantities. */
export interface ParameterValues {
  readonly scope: Scope;
  readonly ranges: ReadonlyMap<string, ParameterRange>;
  /** All that is wrong: names taken or twice, unknown names, cycles, units, values out of range. */
  readonly problems: readonly Problem[];
}

/**
 * Evaluates all parameters in the order of their dependence; those that fail, or depend on one that does, have no value.
 *
 * @param units in which what is wrong is told
 */
export function evaluateParameters(design: Pick<Design, 'parameters'>, units = metric): ParameterValues {
  const problems: Problem[] = [];
  const scope = new Map<string, Named>();
  const ranges = new Map<string, ParameterRange>();
  checkNames(design, problems);
  const byName = new Map<string, QuantityParameter>();
  for (const parameter of design.parameters)
    if (parameter.kind === 'quantity') byName.set(parameter.name, parameter);
    else scope.set(parameter.name, { type: text, value: parameter.value });
  const failed = new Set<string>();
  const open: string[] = [];
  const visit = (parameter: QuantityParameter): void => {
    const { name } = parameter;
    if (scope.has(name) || failed.has(name)) return;
    if (open.includes(name)) {
      const cycle = [...open.slice(open.indexOf(name)), name];
      for (const member of cycle) failed.add(member);
      problems.push(cycleProblem(cycle));
      return;
    }
    open.push(name);
    const outcome = attempt(() => {
      for (const used of namesUsed(parameter)) {
        const other = byName.get(used);
        if (other) visit(other);
        if (failed.has(used)) failed.add(name);
      }
      if (failed.has(name)) return;
      const value = evaluateInRange(parameter, { parameters: scope, units }, ranges);
      scope.set(name, { type: typeOfQuantity(parameter.quantity), value, quantity: parameter.quantity });
    });
    if (!outcome.ok) {
      failed.add(name);
      problems.push(...outcome.problems);
    }
    open.pop();
  };
  for (const parameter of byName.values()) visit(parameter);
  return { scope, ranges, problems };
}

function cycleProblem(cycle: readonly string[]): Problem {
  const [name] = cycle;
  const chain = cycle.map((n) => `"${n}"`).join(' → ');
  return problem(
    'cycle',
    `The parameters ${chain} depend on each other in a circle; give one of them a value of its own.`,
    {
      parameter: name,
      cycle,
    },
  );
}

/** Names in all the expressions of a parameter. */
function namesUsed(parameter: QuantityParameter): string[] {
  const { value, min, max, step } = parameter;
  return [value, min, max, step].flatMap((written) =>
    written === undefined ? [] : [...namesIn(readTree(written, placeOf(parameter)))],
  );
}

function placeOf(parameter: QuantityParameter): Place {
  return { what: `parameter "${parameter.name}"`, where: { parameter: parameter.name } };
}

function evaluateInRange(
  parameter: QuantityParameter,
  names: Names,
  ranges: Map<string, ParameterRange>,
): number {
  const { name, quantity } = parameter;
  const place = placeOf(parameter);
  const of = (written: string | undefined) =>
    written === undefined ? undefined : quantityOf(written, names, quantity, place);
  const value = quantityOf(parameter.value, names, quantity, place);
  const [min, max, step] = [of(parameter.min), of(parameter.max), of(parameter.step)];
  ranges.set(name, {
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(step === undefined ? {} : { step }),
  });
  const slack = 1e-9 * Math.max(Math.abs(min ?? 0), Math.abs(max ?? 0));
  if ((min !== undefined && value < min - slack) || (max !== undefined && value > max + slack)) {
    const { factor, unit } = names.units.of(quantity);
    const show = (x: number) => `${significant(x * factor, 3)}${unit === '' ? '' : ` ${unit}`}`;
    const allowed =
      min === undefined
        ? `at most ${show(max!)}`
        : max === undefined
          ? `at least ${show(min)}`
          : `from ${show(min)} to ${show(max)}`;
    fail('out-of-range', `${parameter.title} ("${name}") is ${show(value)}; it may be ${allowed}.`, {
      parameter: name,
      value,
      min,
      max,
    });
  }
  return value;
}

/** Names that mean a unit, a function, a constant or a tag. */
export function isReservedName(name: string): boolean {
  return (
    readUnit(name) !== undefined ||
    functions.has(name) ||
    tagTypes.has(name) ||
    ['pi', 'e', 'tau'].includes(name) ||
    isReservedWord(name)
  );
}

/** Why a name cannot be a parameter's, or undefined. */
export function parameterNameProblem(name: string): string | undefined {
  if (!/^[A-Za-z][A-Za-z0-9_]*$/.test(name))
    return `"${name}" cannot name a parameter; use letters, digits and _, and begin with a letter.`;
  if (isReservedName(name))
    return `"${name}" already means a unit, a function or a tag; call the parameter "${freeName(name)}", or by another name.`;
  return undefined;
}

/** A name near to a reserved one that is free: "h_1". */
function freeName(name: string): string {
  for (let n = 1; ; n++) if (!isReservedName(`${name}_${n}`)) return `${name}_${n}`;
}

function checkNames(design: Pick<Design, 'parameters'>, problems: Problem[]): void {
  const seen = new Set<string>();
  for (const { name } of design.parameters) {
    const wrong =
      parameterNameProblem(name) ??
      (seen.has(name) ? `Two parameters are called "${name}"; rename one of them.` : undefined);
    if (wrong) problems.push(problem('parameter-name', wrong, { parameter: name }));
    seen.add(name);
  }
}
