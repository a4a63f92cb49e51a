import type { Check } from '../check.js';
export const aisc360Checks: readonly Check[] = [];
