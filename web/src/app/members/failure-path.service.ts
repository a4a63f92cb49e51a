import { DestroyRef, Injectable, computed, inject, signal } from '@angular/core';
import type { Alternative, FailureEvent, FailureFile, FailureOptions } from '@hashira/core';
import { LongWork } from '../state/calculation/long-work.service';
import { DesignWorkspace } from '../state/design-workspace.service';

/** A path of one alternative, for the chart of all. */
export interface PathOf {
  readonly alternative: string;
  readonly title: string;
  readonly file: FailureFile;
}

/** The load-to-failure path that is shown, where on it the reader is, and the paths of other alternatives under the same loads. */
@Injectable()
export class FailurePath {
  private readonly workspace = inject(DesignWorkspace);
  private readonly work = inject(LongWork);
  private readonly destroyed = inject(DestroyRef);
  private readonly run = this.work.run('failure', this.destroyed);
  readonly state = this.run.state;
  /** Paths of the other alternatives, as they come. */
  readonly others = signal<readonly PathOf[]>([]);
  /** Why an alternative has no path. */
  readonly without = signal<readonly string[]>([]);
  readonly comparing = signal(false);
  private readonly wished = signal<number | undefined>(undefined);
  private asked: { readonly options: FailureOptions; readonly alternative: Alternative } | undefined;

  readonly result = computed((): FailureFile | undefined => {
    const { result } = this.state();
    return result && result.curve.length > 0 ? result : undefined;
  });

  /** Number of the point of the curve that is looked at: the last one until another is chosen. */
  readonly at = computed(() => {
    const count = this.result()?.curve.length ?? 0;
    return Math.min(this.wished() ?? count - 1, count - 1);
  });

  /** What has happened up to there. */
  readonly happened = computed((): readonly FailureEvent[] => {
    const result = this.result();
    const factor = result?.curve[this.at()]?.factor ?? 0;
    return (result?.events ?? []).filter((event) => event.factor <= factor * (1 + 1e-9) + 1e-12);
  });

  begin(options: FailureOptions): void {
    const { design } = this.workspace.state()!;
    const alternative = this.workspace.selectedAlternative(design);
    this.asked = { options, alternative };
    this.wished.set(undefined);
    this.others.set([]);
    this.without.set([]);
    this.run.begin(design, alternative, { ...options, picture: true });
  }

  stop(): void {
    this.run.stop();
    this.comparing.set(false);
  }

  lookAt(index: number | undefined): void {
    this.wished.set(index);
  }

  /** Follows the same loads in every other alternative, one after the other. */
  compareAll(): void {
    const state = this.workspace.state();
    const { asked } = this;
    if (!state || !asked) return;
    const left = state.design.alternatives.filter(({ id }) => id !== asked.alternative.id);
    const { follow: _, ...options } = asked.options;
    this.comparing.set(true);
    this.others.set([]);
    this.without.set([]);
    const next = (): void => {
      const alternative = left.shift();
      if (!alternative || !this.comparing()) {
        this.comparing.set(false);
        return;
      }
      const wanted = { design: state.design, alternative, options };
      this.work.once('failure', this.destroyed, wanted, (answer) => {
        if ('problem' in answer)
          this.without.update((all) => [...all, `${alternative.title}: ${answer.problem}`]);
        else
          this.others.update((all) => [
            ...all,
            { alternative: alternative.id, title: alternative.title, file: answer.result },
          ]);
        next();
      });
    };
    next();
  }
}
