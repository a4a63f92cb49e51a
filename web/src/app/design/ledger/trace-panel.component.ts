import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { MembersView } from '../../state/members-view.service';
import { Selection } from '../../state/selection.service';
import { StepsComponent } from '../../ui/steps/steps.component';
import { TraceService } from './trace.service';
import { ActionDirective } from '../../ui/action.directive';

/** Shows how a number came about, line by line, so that it can be followed with a pocket calculator. */
@Component({
  selector: 'app-trace-panel',
  imports: [ActionDirective, StepsComponent],
  host: { '(document:keydown.escape)': 'service.question() && service.close()' },
  template: `
    @if (service.question()) {
      <div #panel class="panel {{ at() }}" role="dialog" aria-labelledby="trace-heading" tabindex="0">
        <header>
          <h2 id="trace-heading">{{ trace()?.title ?? 'How it came about' }}</h2>
          <button appAction aria-label="Close" (click)="service.close()">×</button>
        </header>
        @if (trace(); as t) {
          <p class="value number">{{ t.value }}</p>
          <p class="soft">{{ t.about }}</p>
          @if (t.member; as member) {
            <p class="actions">
              @if (selects()) {
                <button appAction (click)="select(member.of)">select it</button>
                <button appAction (click)="changeSection(member.of)">change its section</button>
              }
              <button appAction (click)="openSheet(member.id)">its sheet</button>
            </p>
          }
          <app-steps [steps]="t.steps" [code]="t.code" />
        } @else {
          <p class="soft" role="status">Working it out; the calculation comes first …</p>
        }
      </div>
    }
  `,
  styles: `
    .panel {
      position: fixed;
      z-index: 20;
      top: 40px;
      box-sizing: border-box;
      padding: 0.7rem 1rem 1rem;
      overflow: auto;
      background: var(--sheet);
    }
    .right {
      right: 0;
      bottom: 0;
      width: min(30.7rem, 100vw);
      border-left: 1px solid var(--ink);
      box-shadow: -6px 0 14px rgb(34 37 43 / 12%);
    }
    .left {
      left: 0;
      bottom: 8rem;
      width: min(22.75rem, 100vw);
      border-right: 1px solid var(--ink);
    }
    header {
      display: flex;
      align-items: baseline;
      gap: 0.6rem;
    }
    h2 {
      flex: 1;
      font-size: var(--size-title);
    }
    header button {
      min-width: 24px;
      min-height: 24px;
      font-size: var(--size-title);
      color: var(--indigo);
    }
    .value {
      font-size: var(--size-large);
      font-weight: 600;
      margin: 0;
    }
    p {
      margin: 0 0 0.6rem;
    }
    .actions {
      display: flex;
      gap: 1.2rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TracePanelComponent {
  /** The edge at which the panel opens: over the leaves, so that the frame stays in sight, or at the right. */
  readonly at = input<'left' | 'right'>('right');
  /** On a screen where members are selected. */
  readonly selects = input(false);
  private readonly panel = viewChild<ElementRef<HTMLElement>>('panel');
  protected readonly service = inject(TraceService);
  protected readonly trace = this.service.trace;

  private readonly workspace = inject(DesignWorkspace);
  private readonly selection = inject(Selection);
  private readonly members = inject(MembersView);
  private readonly router = inject(Router);

  /** The sheet of the member on the screen of members. */
  protected openSheet(member: string): void {
    this.service.close();
    this.members.panel.set('schedule');
    this.members.member.set(member);
    void this.router.navigate(['/designs', this.workspace.id, 'members'], {
      queryParamsHandling: 'preserve',
    });
  }

  /** Selects the member on the stage; the trace stays beside it. */
  protected select(pieces: readonly string[]): void {
    this.selection.pick('members', pieces);
  }

  /** Selects the member and goes on to the section that it is to have. */
  protected changeSection(pieces: readonly string[]): void {
    this.select(pieces);
    this.selection.awaitsSection.set(true);
  }

  constructor() {
    // What was asked for is read next
    afterRenderEffect({ write: () => this.panel()?.nativeElement.focus({ preventScroll: true }) });
  }
}
