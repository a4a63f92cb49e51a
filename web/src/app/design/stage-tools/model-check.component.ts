import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { applyFix, differingLoads, type Warning } from '@hashira/core';
import { focusSoon } from '../../ui/focus-soon';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ViewState } from '../../state/view-state.service';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

/** The model check: a line under the stage that opens to what was found, each shown on the stage and fixed by one press. */
@Component({
  selector: 'app-model-check',
  imports: [ActionDirective],
  template: `
    <button
      type="button"
      class="plain line"
      [class.found]="count() > 0"
      [disabled]="count() === 0"
      [attr.aria-expanded]="open()"
      (click)="toggle()"
    >
      Model check: {{ words() }}
    </button>
    @if (open() && count() > 0) {
      <ul>
        @for (warning of warnings(); track warning.code + warning.message) {
          <li>
            <button
              type="button"
              class="plain"
              (mouseenter)="show(warning)"
              (mouseleave)="show()"
              (focus)="show(warning)"
              (blur)="show()"
              (click)="show(warning)"
            >
              {{ warning.message }}
            </button>
            @if (warning.fix; as fix) {
              <button appAction (click)="applyFix(warning)">
                {{ fix.title }}
              </button>
            }
          </li>
        }
      </ul>
    }
  `,
  styleUrl: './model-check.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(keydown.escape)': 'open.set(false)' },
})
export class ModelCheckComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  /** What was found in the selected alternative; absent while the check has not looked yet. */
  readonly found = input<readonly Warning[] | undefined>();

  protected readonly open = signal(false);
  /** A rule is idle only where it is so in every alternative: another one may need it. */
  protected readonly warnings = computed(() => {
    const everywhere = [...this.workspace.results().alternatives.values()].map(
      ({ summary }) => summary.warnings,
    );
    const own = this.found()?.filter(
      ({ rule, code }) =>
        rule === undefined ||
        // A load that is missing here is missing, whatever it does elsewhere
        code === 'load-reaches-nothing' ||
        everywhere.every((others) => others?.some((other) => other.rule === rule)),
    );
    return own && [...own, ...this.loadsThatDiffer()];
  });

  /** Load cases that come to other sums than in an alternative with the same frame. */
  private readonly loadsThatDiffer = computed((): Warning[] => {
    const design = this.workspace.state()?.design;
    const known = this.workspace.results().alternatives;
    const all = (design?.alternatives ?? []).flatMap(({ id, title }) => {
      const summary = known.get(id)?.summary;
      return summary ? [{ title, summary }] : [];
    });
    const own = design && known.get(this.workspace.selectedAlternative(design).id)?.summary;
    if (!own) return [];
    return differingLoads(own, all, this.units()).map((message) => ({
      code: 'loads-differ',
      message,
      nodes: [],
      members: [],
    }));
  });
  protected readonly count = computed(() => this.warnings()?.length ?? 0);
  protected readonly words = computed(() => {
    const count = this.count();
    if (this.warnings() === undefined) return 'looking …';
    return count === 0 ? 'sound' : `${count} ${count === 1 ? 'warning' : 'warnings'}`;
  });

  protected toggle(): void {
    this.open.update((open) => !open);
    this.show();
  }

  protected show(warning?: Warning): void {
    this.view.highlighted.set(warning ? [...warning.members, ...warning.nodes] : []);
  }

  protected applyFix({ fix }: Warning): void {
    this.show();
    if (fix) this.workspace.apply((design) => applyFix(design, fix));
    focusSoon(this.host.nativeElement, 'button');
  }
}
