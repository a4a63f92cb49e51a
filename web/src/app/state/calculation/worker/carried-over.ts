import type { AlternativeSummary } from '@hashira/core';

/**
 * A summary whose checks are not done yet, with what the state before had in their place, marked as pending: numbers move while a
 * hand drags and do not vanish between two states.
 */
export function carriedOver(
  summary: AlternativeSummary,
  before: AlternativeSummary | undefined,
): AlternativeSummary {
  if (summary.stage === 'complete' || summary.stage === 'failed' || !before) return summary;
  const figures = summary.figures.map((figure) => {
    if (!figure.pending) return figure;
    const last = before.figures.find(({ id }) => id === figure.id);
    return last?.value === undefined ? figure : { ...last, pending: true };
  });
  if (summary.stage === 'checks') return { ...summary, figures };
  const { members, memberCount, governing } = before;
  return { ...summary, figures, members, memberCount, ...(summary.stage === 'frame' ? { governing } : {}) };
}
