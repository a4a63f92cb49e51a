import { computed, effect, inject, signal, type Signal } from '@angular/core';
import { Calculation } from '../calculation/calculation.service';
import type { Questions } from '@hashira/core';
import { DesignWorkspace } from '../design-workspace.service';

/** The answer to a question that stands while the design changes. */
export interface StandingAnswer<Q extends keyof Questions> {
  /** The latest answer; undefined before the first. */
  readonly value: Signal<Questions[Q]['answer'] | undefined>;
  /** Whether it belongs to another state or question than the screen: a newer one is on its way. */
  readonly late: Signal<boolean>;
}

/** A question with the state that it is asked of. */
interface Standing<Q extends keyof Questions> {
  readonly alternative: string;
  readonly version: number;
  readonly ask: Questions[Q]['ask'];
}

/**
 * Asks about the selected alternative, again whenever its results or the question change; an answer stays until the next has come.
 * To be called where a component is made.
 *
 * @param ask reads signals; undefined: not now
 * @param needs what must be known of the alternative before it can answer
 */
export function standingAnswer<Q extends keyof Questions>(
  question: Q,
  ask: () => Questions[Q]['ask'] | undefined,
  needs: 'forces' | 'checks' = 'forces',
): StandingAnswer<Q> {
  const workspace = inject(DesignWorkspace);
  const calculation = inject(Calculation);
  const answered = signal<{ to: Standing<Q>; answer: Questions[Q]['answer'] | undefined } | undefined>(
    undefined,
  );
  const wanted = computed(
    (): Standing<Q> | undefined => {
      const state = workspace.state();
      const alternative = state && workspace.selectedAlternative(state.design).id;
      const known = alternative && workspace.results().alternatives.get(alternative);
      // A frame without forces is drawn before the worker answers for it
      if (!known || known.summary.stage === 'frame') return undefined;
      if (needs === 'checks' && known.summary.stage === 'forces') return undefined;
      const asked = ask();
      return asked && { alternative, version: known.version, ask: asked };
    },
    { equal: (one, other) => JSON.stringify(one) === JSON.stringify(other) },
  );
  effect(() => {
    const to = wanted();
    if (!to) return;
    void calculation.ask(to.alternative, question, to.ask).then((answer) => {
      if (to === wanted()) answered.set({ to, answer });
    });
  });
  return {
    value: computed(() => answered()?.answer),
    late: computed(() => {
      const to = wanted();
      return !to || workspace.isBehind(to.alternative) || answered()?.to !== to;
    }),
  };
}
