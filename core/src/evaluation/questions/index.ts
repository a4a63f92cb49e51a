import { alike } from './alike.js';
import { bench } from './bench.js';
import { contributions } from './contributions.js';
import { cuts } from './cuts.js';
import { figureTrace } from './figure-trace.js';
import { figuresUnder } from './figures-under.js';
import { influence, trainAt } from './influence.js';
import { makeUp } from './make-up.js';
import { matches } from './matches.js';
import { memberSheet } from './member-sheet.js';
import { memberSteps } from './member-steps.js';
import { miniatures } from './miniatures.js';
import { neighbours } from './neighbours.js';
import { place } from './place.js';
import { proposal } from './proposal.js';
import type { Question } from './question.js';
import { reading } from './reading.js';
import { schedule } from './schedule.js';
import { selection } from './selection.js';
import { shapes } from './shapes.js';
import { sums } from './sums.js';
import { table } from './table.js';
import { tags } from './tags.js';

/** Every question. A new one is one file and one line here. */
export const questions = {
  alike,
  reading,
  figureTrace,
  figuresUnder,
  memberSteps,
  proposal,
  place,
  table,
  selection,
  tags,
  cuts,
  miniatures,
  sums,
  matches,
  schedule,
  memberSheet,
  neighbours,
  bench,
  contributions,
  shapes,
  makeUp,
  influence,
  trainAt,
};

/** Questions by their names, with what they ask and what is answered. */
export type Questions = {
  [Name in keyof typeof questions]: (typeof questions)[Name] extends Question<infer Ask, infer Answer>
    ? { readonly ask: Ask; readonly answer: Answer }
    : never;
};
