import { evaluateParameters } from '../../build/parameters.js';
import { applyAlternative } from '../../document/alternatives.js';
import type { Alternative, Design } from '../../document/types.js';
import { attempt } from '../../base/problem.js';
import { namesIn, readTree } from '../../language/evaluate.js';
import { setParameterFields, setValue } from '../parameters.js';
import type { Units } from '../../units/units.js';

/** What becomes of a value that is typed for a parameter. */
export type TypedParameter =
  /** It is taken; `words` say that the range was widened for it, where it was. */
  | { readonly design: Design; readonly words?: string }
  /** It cannot be: why, in a sentence. The design stays as it was. */
  | { readonly refused: string };

/**
 * Takes a typed value or formula of a quantity: a decimal comma is one, a bare number has the reader's unit, and a value beyond the
 * slider's range widens it. What cannot be evaluated, has another unit, or is of a sign that the range does not know is refused.
 *
 * @param own the alternative whose own value it is; the value of the design where left out
 */
export function takeTypedParameter(
  design: Design,
  shown: Alternative,
  name: string,
  typed: string,
  { own, units }: { readonly own?: string; readonly units: Units },
): TypedParameter {
  const parameter = design.parameters.find((one) => one.name === name);
  if (parameter?.kind !== 'quantity') return { design: setValue(design, name, typed, own) };
  const text = units.typed(withPoint(typed.trim()), parameter.quantity);
  const taken = setValue(design, name, text, own);
  const found = problemOf(taken, shown.id, name, units);
  if (!found) return { design: taken };
  const { value, min, max } = found.where as Partial<Record<'value' | 'min' | 'max', number>>;
  if (found.code !== 'out-of-range' || value === undefined || hasOtherSign(value, min, max))
    return { refused: found.message };
  const isOver = max !== undefined && value > max;
  // A limit that follows other parameters is meant, and stays
  const limit = (isOver ? parameter.max : parameter.min) ?? '';
  const names = namesIn(readTree(limit, { what: 'the limit', where: {} }));
  if (design.parameters.some((one) => names.has(one.name))) return { refused: found.message };
  const end = units.expression(value, parameter.quantity);
  const widened = setParameterFields(taken, name, isOver ? { max: end } : { min: end });
  if (problemOf(widened, shown.id, name, units)) return { refused: found.message };
  return {
    design: widened,
    words: `The range was widened: ${isOver ? 'up to' : 'from'} ${units.inSentence(value, parameter.quantity)}.`,
  };
}

/** Whether a value is zero or negative where the range has positive values only, or the other way round. */
const hasOtherSign = (value: number, min: number | undefined, max: number | undefined): boolean =>
  (min !== undefined && min >= 0 && value <= 0) || (max !== undefined && max <= 0 && value >= 0);

/** "24,5 m" as "24.5 m"; commas between the arguments of a function stay. */
const withPoint = (text: string): string => (/[(]/.test(text) ? text : text.replace(/(\d),(\d)/g, '$1.$2'));

/** What is wrong with a parameter as an alternative has it. */
function problemOf(design: Design, alternative: string, name: string, units: Units) {
  const one = design.alternatives.find(({ id }) => id === alternative)!;
  const applied = attempt(() => applyAlternative(design, one));
  if (!applied.ok) return undefined;
  const { problems } = evaluateParameters(applied.value, units);
  return problems.find(
    ({ where }) =>
      where['parameter'] === name || (Array.isArray(where['cycle']) && where['cycle'].includes(name)),
  );
}
