import { figureSummaries } from '../figures/figure-table.js';
import { shownResults } from '../../drawing/index.js';
import type { EvaluatedAlternative } from '../alternative.js';
import { nearestToInstability, verdictOn } from '../stages/index.js';
import { loadSums } from '../warnings/differing-loads.js';
import { memberSummaries } from './member-summaries.js';
import { overridesOf } from './overrides.js';
import { parameterSummaries } from './parameter-summaries.js';
import { slicesOf } from './slices.js';
import { balanceOf, governing, nearness, summaryStatus } from './summary-parts.js';
import type { AlternativeSummary } from './summary.js';

/** What is known of an alternative, as plain data. `shown` is the load case or combination whose balance is told. */
export function summaryOf(of: EvaluatedAlternative, shown: string): AlternativeSummary {
  const { design, alternative, built, namer, evaluation, problems, reached, warnings } = of;
  const { forces, checks, stability } = evaluation ?? {};
  const known = forces ?? of.shownForces;
  const failed = problems.length > 0;
  const verdict = evaluation && verdictOn(evaluation);
  const figures = failed ? [] : figureSummaries(of);
  return {
    id: alternative.id,
    stage: failed ? 'failed' : reached === 'nothing' ? 'frame' : reached,
    problems,
    built: built !== undefined,
    results: resultsOf(of),
    figures,
    status: summaryStatus(verdict?.status, figures, { failed, complete: reached === 'complete' }),
    over: verdict?.over.length ?? 0,
    notCovered: verdict?.notCovered.length ?? 0,
    members: checks && forces && namer ? memberSummaries(checks, forces, namer) : [],
    memberCount: checks?.length ?? 0,
    ...nearness(stability),
    ...(verdict?.alphaCrMember === undefined ? {} : { alphaCrMember: verdict.alphaCrMember }),
    secondOrderNeeded: verdict?.secondOrderNeeded ?? false,
    order: forces?.order ?? design.analysis.order,
    code: design.code.name ?? 'EN1993',
    notes: [
      ...(built?.notes ?? []),
      ...(known?.notes ?? []).map((message) => ({ code: 'analysis', message, where: {} })),
    ],
    ...(forces ? { loads: loadSums(forces) } : {}),
    ...(warnings ? { warnings } : {}),
    parameters: parameterSummaries(of.parameters),
    ...balanceOf(known, shown),
    slices: built && design.space === 'solid' ? slicesOf(built.geometry) : [],
    governing: governing(checks, figures),
    overrides: built ? overridesOf(built) : {},
    matches: Object.fromEntries([...(built?.matches ?? [])].map(([id, parts]) => [id, parts.length])),
  };
}

/** What can be shown on the stage. */
function resultsOf({ built, evaluation, units }: EvaluatedAlternative): AlternativeSummary['results'] {
  if (!built) return [];
  const { stability, modes } = evaluation ?? {};
  const known = stability?.stability;
  const nearest = known && nearestToInstability(known)?.id;
  return shownResults({
    built,
    units,
    ...(known ? { stability: known } : {}),
    ...(nearest === undefined ? {} : { nearest }),
    ...(modes ? { modes } : {}),
  });
}
