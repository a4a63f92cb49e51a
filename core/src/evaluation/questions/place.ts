import { placeOn, type NamedPlace } from '../../geometry/places.js';
import type { Question } from './question.js';

/** The place of a member that was meant by a share of one of its pieces, by a name that steps can use. */
export const place: Question<{ readonly member: string; readonly share: number }, NamedPlace | undefined> = (
  { built, namer },
  { member, share },
) => built && namer && placeOn(built.geometry, namer, member, share);
