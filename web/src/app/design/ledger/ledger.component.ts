import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import {
  notChecked,
  significant,
  type AlternativeSummary,
  type FigureSummary,
  type MemberSummary,
} from '@hashira/core';
import { TraceService } from './trace.service';
import { beyondText, differenceText, figureExact, figureText, limitText } from '../../ui/fields/values';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { FiguresEditorComponent } from './figures-editor.component';
import { SettingsComponent } from './settings.component';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

/** The governing numbers of the selected alternative, its members' utilisation, and the balance of loads and reactions. */
@Component({
  selector: 'app-ledger',
  imports: [ActionDirective, FiguresEditorComponent, SettingsComponent],
  templateUrl: './ledger.component.html',
  styleUrl: './ledger.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LedgerComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  private readonly traces = inject(TraceService);

  protected readonly notChecked = notChecked;

  readonly summary = input.required<AlternativeSummary>();
  readonly alternative = input.required<string>();
  readonly title = input.required<string>();

  /** Figures are being changed, not only read. */
  protected readonly editing = signal(false);
  private readonly reference = computed(() => this.workspace.state()?.design.reference ?? '');
  protected readonly isReference = computed(() => this.reference() === this.alternative());

  protected readonly rows = computed(() => {
    const others = this.workspace.results().alternatives.get(this.reference())?.summary.figures;
    return this.summary().figures.map((figure) => ({
      figure,
      text: figureText(figure, this.units()),
      exact: figureExact(figure, this.units()),
      over: figure.status === 'fail',
      beyond: beyondText(figure),
      where: [figure.place, limitText(figure, this.units())].filter((word) => word !== '').join('; '),
      difference: this.isReference()
        ? ''
        : differenceText(
            figure,
            others?.find(({ id }) => id === figure.id),
          ),
    }));
  });

  protected readonly members = computed(() =>
    this.summary()
      .members.slice(0, 24)
      .map((member) => ({
        member,
        text: member.status === 'not covered' ? 'not covered' : significant(member.utilisation ?? 0),
        width: Math.min(1, member.utilisation ?? 0) * 100,
        over: member.status === 'fail',
        uncovered: member.status === 'not covered',
      })),
  );
  /** Outdated utilisations, while the checks are not done. */
  protected readonly unchecked = computed(() => ['frame', 'forces'].includes(this.summary().stage));
  protected readonly more = computed(() => Math.max(0, this.summary().memberCount - this.members().length));

  protected readonly balance = computed(() => {
    const { balance } = this.summary();
    if (!balance) return undefined;
    const solid = this.workspace.state()?.design.space === 'solid';
    const row = (name: string, at: number, quantity: 'force' | 'moment') => ({
      name: `${name} ${this.units().of(quantity).unit}`,
      loads: this.units().number(balance.applied[at]!, quantity),
      reactions: this.units().number(balance.reactions[at]!, quantity),
    });
    const forces = solid
      ? [row('ΣX', 0, 'force'), row('ΣY', 1, 'force'), row('ΣZ', 2, 'force')]
      : [row('ΣX', 0, 'force'), row('ΣZ', 2, 'force'), row('ΣM', 4, 'moment')];
    return { id: balance.result, rows: forces, residual: balance.residual.toExponential(0) };
  });

  protected traceFigure({ id }: FigureSummary): void {
    this.traces.open({
      kind: 'figure',
      alternative: this.alternative(),
      title: this.title(),
      figure: id,
      code: this.summary().code,
    });
  }

  protected traceMember({ member, title, utilisation }: MemberSummary): void {
    const value = utilisation === undefined ? 'not covered' : significant(utilisation);
    this.traces.open({
      kind: 'member',
      alternative: this.alternative(),
      title: this.title(),
      member,
      name: title,
      value,
      code: this.summary().code,
    });
  }
}
