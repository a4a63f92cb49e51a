import { placeOn, type NamedPlace } from '../../geometry/places.js';
import type { Question } from './question.js';

/** The place of a member that was meant by a fraction of one of its pieces, by a name that steps can use. */
export const place: Question<
  { readonly member: string; readonly fraction: number },
  NamedPlace | undefined
> = ({ built, namer }, { member, fraction }) =>
  built && namer && placeOn(built.geometry, namer, member, fraction);
