import { attempt, fail, problem, type Problem } from '../problem.js';
import { quantities } from '../units/quantities.js';
import { significant } from '../units/format.js';
import { evaluateQuantity, type Scope, type ScopeValue } from './evaluate.js';
import { compileExpression, isReservedName, type Place } from './expression-language.js';
import type { Design, QuantityParameter } from './types.js';

/** Every parameter's value, and the range of the quantities. */
export interface ParameterValues {
  readonly scope: Scope;
  /** SI; by parameter name. */
  readonly ranges: ReadonlyMap<string, { min?: number; max?: number; step?: number }>;
  /** All that is wrong: names taken or twice, unknown names, cycles, units, values out of range. */
  readonly problems: readonly Problem[];
}

/** Evaluates all parameters in the order of their dependence; those that fail, or depend on one that does, have no value. */
export function evaluateParameters(design: Design): ParameterValues {
  const problems: Problem[] = [];
  const scope = new Map<string, ScopeValue>();
  const ranges = new Map<string, { min?: number; max?: number; step?: number }>();
  checkNames(design, problems);

  const quantitiesByName = new Map<string, QuantityParameter>();
  for (const parameter of design.parameters) {
    if (parameter.kind === 'quantity') quantitiesByName.set(parameter.name, parameter);
    else scope.set(parameter.name, parameter.value);
  }
  const failed = new Set<string>();
  const open: string[] = [];
  const visit = (parameter: QuantityParameter): void => {
    const { name } = parameter;
    if (scope.has(name) || failed.has(name)) return;
    if (open.includes(name)) {
      const cycle = [...open.slice(open.indexOf(name)), name];
      for (const member of cycle) failed.add(member);
      problems.push(
        problem(
          'cycle',
          `The parameters ${cycle.map((n) => `"${n}"`).join(' → ')} depend on each other in a circle; give one of them a value of its own.`,
          {
            parameter: name,
            cycle,
          },
        ),
      );
      return;
    }
    open.push(name);
    const outcome = attempt(() => {
      const texts = [parameter.value, parameter.min, parameter.max, parameter.step];
      for (const text of texts)
        if (text !== undefined)
          for (const used of compileExpression(text, placeOf(parameter)).names) {
            const other = quantitiesByName.get(used);
            if (other) visit(other);
            if (failed.has(used)) failed.add(name);
          }
      if (failed.has(name)) return;
      scope.set(name, { si: evaluateInRange(parameter, scope, ranges), quantity: parameter.quantity });
    });
    if (!outcome.ok) {
      failed.add(name);
      problems.push(...outcome.problems);
    }
    open.pop();
  };
  for (const parameter of quantitiesByName.values()) visit(parameter);
  return { scope, ranges, problems };
}

function placeOf(parameter: QuantityParameter): Place {
  return { what: `parameter "${parameter.name}"`, where: { parameter: parameter.name } };
}

function evaluateInRange(
  parameter: QuantityParameter,
  scope: Scope,
  ranges: Map<string, { min?: number; max?: number; step?: number }>,
): number {
  const place = placeOf(parameter);
  const of = (text: string | undefined) =>
    text === undefined ? undefined : evaluateQuantity(text, scope, parameter.quantity, place);
  const value = evaluateQuantity(parameter.value, scope, parameter.quantity, place);
  const min = of(parameter.min);
  const max = of(parameter.max);
  const step = of(parameter.step);
  ranges.set(parameter.name, {
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(step === undefined ? {} : { step }),
  });
  const slack = 1e-9 * Math.max(Math.abs(min ?? 0), Math.abs(max ?? 0));
  if ((min !== undefined && value < min - slack) || (max !== undefined && value > max + slack)) {
    const { factor, unit } = quantities[parameter.quantity];
    const show = (x: number | undefined) => (x === undefined ? '…' : significant(x * factor, 4));
    fail(
      'out-of-range',
      `Parameter "${parameter.name}" is ${show(value)} ${unit}; it may go from ${show(min)} to ${show(max)} ${unit}.`,
      { parameter: parameter.name, value, min, max },
    );
  }
  return value;
}

function checkNames(design: Design, problems: Problem[]): void {
  const seen = new Set<string>();
  for (const { name } of design.parameters) {
    const where = { parameter: name };
    if (!/^[A-Za-z][A-Za-z0-9_]*$/.test(name))
      problems.push(
        problem(
          'parameter-name',
          `"${name}" cannot name a parameter; use letters, digits and _, and begin with a letter.`,
          where,
        ),
      );
    else if (isReservedName(name))
      problems.push(
        problem(
          'parameter-name',
          `"${name}" already means a unit, a function or an attribute; choose another name for the parameter.`,
          where,
        ),
      );
    else if (seen.has(name))
      problems.push(
        problem('parameter-name', `Two parameters are called "${name}"; rename one of them.`, where),
      );
    seen.add(name);
  }
}
