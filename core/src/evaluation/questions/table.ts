import { fillTable, tableKinds, type ResultTable, type TableQuestion } from '../tables/index.js';
import type { Question } from './question.js';

/** A table of results, as `tables/` lists them; undefined while there are no forces. */
export const table: Question<{ readonly kind: string } & TableQuestion, ResultTable | undefined> = (
  { evaluation, namer, units },
  { kind, ...question },
) => {
  const found = tableKinds.find((one) => one.kind === kind);
  return (
    evaluation && namer && found && fillTable(found, { forces: evaluation.forces, namer, units }, question)
  );
};
