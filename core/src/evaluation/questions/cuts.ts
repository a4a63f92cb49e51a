import { cutList, type CutList } from '../cut-list/cut-list.js';
import type { Question } from './question.js';

/** What the frame is cut from. */
export const cuts: Question<object, CutList | undefined> = ({ built }) => built && cutList(built);
