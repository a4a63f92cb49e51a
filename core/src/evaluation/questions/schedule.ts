import { scheduleOf, type ScheduledGroup } from '../schedule/schedule.js';
import type { Question } from './question.js';

/** The alternative's members by what gives them their section; undefined before they are checked. */
export const schedule: Question<{ readonly of: 'members' }, readonly ScheduledGroup[] | undefined> = (of) =>
  scheduleOf(of);
