import { effect, inject, signal, type Signal } from '@angular/core';
import type { Questions } from '@hashira/core';
import { Calculation } from '../calculation/calculation.service';
import { DesignWorkspace } from '../design-workspace.service';

/**
 * Asks every alternative the same, again whenever its results or the question change; an answer stays until the next has come. To be
 * called where a component or service is made.
 *
 * @param ask reads signals; undefined: nothing of this alternative
 * @param needs what must be known of an alternative before it can answer
 */
export function answersOfAll<Q extends keyof Questions>(
  question: Q,
  ask: (alternative: string) => Questions[Q]['ask'] | undefined,
  needs: 'forces' | 'checks' = 'forces',
): Signal<ReadonlyMap<string, NonNullable<Questions[Q]['answer']>>> {
  const workspace = inject(DesignWorkspace);
  const calculation = inject(Calculation);
  const answers = signal<ReadonlyMap<string, NonNullable<Questions[Q]['answer']>>>(new Map());
  const asked = new Map<string, string>();

  const take = (id: string, answer: Questions[Q]['answer'] | undefined): void =>
    answers.update((all) => {
      const next = new Map(all);
      if (answer === undefined || answer === null) next.delete(id);
      else next.set(id, answer);
      return next;
    });

  effect(() => {
    const known = workspace.results().alternatives;
    const ids = workspace.state()?.design.alternatives.map(({ id }) => id) ?? [];
    for (const id of asked.keys())
      if (!ids.includes(id)) {
        asked.delete(id);
        take(id, undefined);
      }
    for (const id of ids) {
      const one = known.get(id);
      const what = ask(id);
      const waits = needs === 'checks' ? ['frame', 'forces'] : ['frame'];
      if (!one || waits.includes(one.summary.stage)) continue;
      const key = what === undefined ? '' : `${one.version} ${JSON.stringify(what)}`;
      if (asked.get(id) === key) continue;
      asked.set(id, key);
      if (what === undefined) take(id, undefined);
      else
        void calculation.ask(id, question, what).then((answer) => {
          if (asked.get(id) === key) take(id, answer);
        });
    }
  });
  return answers.asReadonly();
}
