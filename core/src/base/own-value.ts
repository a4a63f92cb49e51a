/** What a record has under a name that people wrote: "constructor" and the like are on every object and in none of ours. */
export function ownValue<T>(record: Readonly<Record<string, T>> | undefined, name: string): T | undefined {
  return record !== undefined && Object.hasOwn(record, name) ? record[name] : undefined;
}

/** A record that is filled under names that people wrote: it has no prototype that a name could meet. */
export const emptyRecord = <T>(): Record<string, T> => Object.create(null) as Record<string, T>;
