import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Calculation } from '../state/calculation/calculation.service';
import type { WorkDone } from '../state/calculation/protocol';
import { DesignWorkspace } from '../state/design-workspace.service';
import type { SavingState } from '../state/saving/saving.service';
import { ActionDirective } from '../ui/action.directive';

/** Says in the header whether numbers are on their way and whether the design is saved. It changes often, and alone. */
@Component({
  selector: 'app-workspace-state',
  imports: [ActionDirective],
  template: `
    @if (failure(); as failure) {
      <span class="bad" role="alert">{{ failure }}</span>
      <button appAction (click)="calculation.again()">calculate again</button>
    } @else {
      @if (!current()) {
        <span class="soft" role="status">calculating…</span>
      }
      @if (progress(); as work) {
        <span class="soft number">{{ wordsOf(work) }}</span>
        <button appAction (click)="calculation.stop()">stop</button>
      }
    }
    <span class="saved" [class.bad]="unsaved()" role="status" data-testid="saved">{{ saved() }}</span>
  `,
  styles: `
    :host {
      display: contents;
    }
    .saved {
      color: var(--ink-soft);
    }
    .bad {
      color: var(--vermilion-text);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WorkspaceStateComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly calculation = inject(Calculation);
  protected readonly progress = toSignal(this.calculation.progress$);
  protected readonly failure = computed(() => this.workspace.results().failure);
  protected readonly current = computed(() => this.workspace.results().current);
  protected readonly saved = computed(() => savedText(this.workspace.savingState()));
  protected readonly unsaved = computed(() => this.workspace.savingState().kind === 'unsaved');

  /** What is being done and how far it is; of which alternative, where that is not the one on the stage. */
  protected wordsOf({ alternative, part, done }: WorkDone): string {
    const title =
      alternative === this.workspace.selected()
        ? undefined
        : this.workspace.state()?.design.alternatives.find(({ id }) => id === alternative)?.title;
    return `${title === undefined ? '' : `${title}: `}${part} ${Math.floor(100 * done)} %`;
  }
}

function savedText(state: SavingState): string {
  switch (state.kind) {
    case 'saved':
      return `Saved, revision ${state.revision}`;
    case 'saving':
      return 'Saving…';
    case 'unsaved':
      return 'Not saved';
    case 'conflict':
      return 'Changed elsewhere';
  }
}
