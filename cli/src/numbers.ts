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

/** Reads a length above zero. */
export function lengthOf(text: string): number {
  const length = Number(text);
  if (!Number.isFinite(length) || length <= 0) throw new InvalidArgumentError('Give a number above zero.');
  return length;
}
