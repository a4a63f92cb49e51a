import { fail } from '../../base/problem.js';
import type { BuiltFrame } from '../../build/build.js';

/** Load cases with their factors. */
export type CaseFactors = Readonly<Record<string, number>>;

/** What stays and what grows: loads = constant + λ · raised. */
export interface RaisedLoads {
  readonly constant: CaseFactors;
  readonly raised: CaseFactors;
}

/** What is asked to be raised, as it is written: cases with factors, `W=1, S=0.5`, or one combination. */
export interface RaiseOptions {
  readonly raise: string;
  /** Cases with factors; absent: the permanent ones with 1, or those of the combination that is raised. */
  readonly constant?: string;
}

/**
 * Reads what stays and what is raised.
 *
 * @throws ProblemError `unknown-case`, `no-load`, `wrong-arguments`
 */
export function raisedLoads({ model, combinations }: BuiltFrame, options: RaiseOptions): RaisedLoads {
  const cases = model.loadCases ?? [];
  const permanent = (id: string) => cases.find((one) => one.id === id)!.category === 'permanent';
  const known = new Set(cases.map(({ id }) => id));
  const asked = options.raise.trim();
  const combination = known.has(asked)
    ? undefined
    : combinations.find(({ id, title }) => id === asked || title === asked);
  const split = (wanted: boolean): CaseFactors =>
    Object.fromEntries(
      Object.entries(combination?.factors ?? {}).filter(
        ([id, factor]) => factor !== 0 && permanent(id) === wanted,
      ),
    );
  const raised = combination ? split(false) : readFactors(asked, known, 'raised');
  const written =
    options.constant === undefined ? undefined : readFactors(options.constant, known, 'constant');
  const usual = combination
    ? split(true)
    : Object.fromEntries(
        cases.flatMap(({ id, category }) => (category === 'permanent' && !(id in raised) ? [[id, 1]] : [])),
      );
  const acts = ([id, factor]: [string, number]) => {
    const one = cases.find((loadCase) => loadCase.id === id)!;
    const train = (model.trains ?? []).some((load) => load.case === id);
    return factor !== 0 && ((one.loads ?? []).length > 0 || (one.selfWeight ?? 0) !== 0 || train);
  };
  if (!Object.entries(raised).some(acts))
    fail(
      'no-load',
      Object.keys(raised).length === 0
        ? `"${asked}" raises no load; name a load case with a factor, such as "${cases[0]?.id ?? 'W'}=1", or a combination.`
        : `What is raised, "${asked}", has no loads or the factor 0; raise a case that has loads.`,
      { raise: asked },
    );
  return { constant: written ?? usual, raised };
}

/** Reads `W=1, S=0.5`; a name alone stands for the factor 1. */
function readFactors(text: string, known: ReadonlySet<string>, what: string): CaseFactors {
  const out: Record<string, number> = {};
  for (const part of text.split(/[,;]/).map((one) => one.trim())) {
    if (part === '') continue;
    const [, name = '', written] = /^(.*?)(?:\s*=\s*(\S+))?$/.exec(part)!;
    const factor = written === undefined ? 1 : Number(written);
    if (!known.has(name))
      fail(
        'unknown-case',
        `There is no load case "${name}" to be ${what}; the cases are ${[...known].join(', ')}.`,
        {
          case: name,
        },
      );
    if (!Number.isFinite(factor) || Math.abs(factor) > 1e6)
      fail(
        'wrong-arguments',
        `The factor "${written!}" of "${name}" is no number; write it like "${name}=1.5".`,
        {
          case: name,
        },
      );
    out[name] = (out[name] ?? 0) + factor;
  }
  return out;
}
