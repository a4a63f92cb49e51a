import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { decideFor } from '@hashira/core';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { Textarea } from 'primeng/textarea';
import { focusSoon } from '../../ui/focus-soon';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ActionDirective } from '../../ui/action.directive';

/** The alternative that was decided for, and why; it is kept in the design. */
@Component({
  selector: 'app-decision',
  imports: [ActionDirective, FormsModule, Select, Button, Textarea],
  template: `
    @if (!editing()) {
      @if (decided(); as of) {
        <span class="decided"
          >Decided: <strong>{{ of.title }}</strong></span
        >
        <span class="note" [title]="of.note">{{ of.note }}</span>
      } @else {
        <span class="soft">Not decided yet</span>
      }
      <button appAction (click)="begin()">
        {{ decided() ? 'change' : 'decide …' }}
      </button>
    } @else {
      <span class="soft">Decide for</span>
      <p-select
        size="small"
        ariaLabel="Decide for"
        [options]="design().alternatives"
        optionLabel="title"
        optionValue="id"
        [ngModel]="alternative()"
        (ngModelChange)="alternative.set($event)"
      />
      <textarea
        pTextarea
        rows="1"
        aria-label="Why"
        placeholder="why"
        maxlength="4000"
        [ngModel]="note()"
        (ngModelChange)="note.set($event)"
        (keydown.escape)="close()"
      ></textarea>
      <p-button label="Decide" size="small" (onClick)="decide()" />
      @if (decided()) {
        <p-button label="Take back" size="small" [outlined]="true" (onClick)="takeBack()" />
      }
      <p-button label="Cancel" size="small" [text]="true" (onClick)="close()" />
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 8px;
      min-width: 0;
    }
    .decided {
      color: var(--moss-text);
      white-space: nowrap;
    }
    .note {
      min-width: 0;
      overflow: hidden;
      color: var(--ink-soft);
      white-space: nowrap;
      text-overflow: ellipsis;
    }
    .press {
      color: var(--indigo);
      white-space: nowrap;
    }
    textarea {
      width: 16rem;
      min-height: 2rem;
      padding: 4px 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DecisionComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly editing = signal(false);
  protected readonly alternative = signal('');
  protected readonly note = signal('');

  protected readonly decided = computed(() => {
    const { decision, alternatives } = this.design();
    const title = alternatives.find(({ id }) => id === decision?.alternative)?.title;
    return title === undefined ? undefined : { title, note: decision?.note ?? '' };
  });

  protected begin(): void {
    const { decision } = this.design();
    this.alternative.set(decision?.alternative ?? this.workspace.selectedAlternative(this.design()).id);
    this.note.set(decision?.note ?? '');
    this.editing.set(true);
  }

  protected decide(): void {
    const [id, note] = [this.alternative(), this.note().trim()];
    this.workspace.apply((design) => decideFor(design, id, note));
    this.close();
  }

  protected takeBack(): void {
    this.workspace.apply((design) => decideFor(design, undefined));
    this.close();
  }

  /** The focus goes back to what opened it. */
  protected close(): void {
    this.editing.set(false);
    focusSoon(this.host.nativeElement, '.press');
  }
}
