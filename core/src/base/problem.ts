/** Something wrong that a user can act on: a stable code, a sentence, and a place in the design or model. */
export interface Problem {
  /** Stable identifier, e.g. `mechanism`, `invalid-model`, `unknown-name`. */
  readonly code: string;
  /** One sentence: what is wrong, where, and what to do. */
  readonly message: string;
  /** Where it is: `path` in a file, `parameter`, `step`, `rule`, `node`, `member` … */
  readonly where: Readonly<Record<string, unknown>>;
  /** What is known in spite of it, such as forces of first order past the critical load; plain data. */
  readonly result?: Readonly<Record<string, unknown>>;
}

/** A value, or the problems that prevented it. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** Carries problems out of deep calls up to the nearest {@link attempt}. */
export class ProblemError extends Error {
  readonly problems: readonly Problem[];

  constructor(problems: readonly Problem[]) {
    super(problems.map((p) => p.message).join(' '));
    this.name = 'ProblemError';
    this.problems = problems;
  }
}

/** Builds a problem. */
export function problem(code: string, message: string, where: Record<string, unknown> = {}): Problem {
  return { code, message, where };
}

/** Throws one problem; for use where an expression is expected. */
export function fail(code: string, message: string, where: Record<string, unknown> = {}): never {
  throw new ProblemError([problem(code, message, where)]);
}

/** Runs `work` and turns a thrown {@link ProblemError} into a value; other errors are bugs and pass through. */
export function attempt<T>(work: () => T): Outcome<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, problems: error.problems };
    throw error;
  }
}

/** The value of an outcome. @throws ProblemError with its problems where it has none */
export function unwrapped<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new ProblemError(outcome.problems);
}
