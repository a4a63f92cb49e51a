import { InvalidArgumentError } from 'commander';

/** Reads the number of stations. */
export function stationsOf(text: string): number {
  const count = Number(text);
  if (!Number.isInteger(count) || count < 2 || count > 10_001)
    throw new InvalidArgumentError('Stations are a whole number from 2 to 10001.');
  return count;
}

/** Reads how many factors or modes are wanted. */
export function countOf(text: string): number {
  const count = Number(text);
  if (!Number.isInteger(count) || count < 1 || count > 1000)
    throw new InvalidArgumentError('Give a whole number from 1 to 1000.');
  return count;
}

/** Reads a length in mm, above zero and up to 10 m. */
export function lengthOf(text: string): number {
  const length = Number(text);
  if (!(length > 0 && length <= 10_000))
    throw new InvalidArgumentError('Give a number of mm above zero and up to 10000.');
  return length;
}

/** Reads a number above zero. */
export function positiveOf(text: string): number {
  const value = Number(text);
  if (!(value > 0 && value < 1e9)) throw new InvalidArgumentError('Give a number above zero.');
  return value;
}

/** Reads how many analyses may be made. */
export function analysesOf(text: string): number {
  const count = Number(text);
  if (!Number.isInteger(count) || count < 1 || count > 1_000_000)
    throw new InvalidArgumentError('Give a whole number from 1 to 1000000.');
  return count;
}

/** Adds one more value of an option that can be given several times. */
export const several = (value: string, before: readonly string[] = []): string[] => [...before, value];
