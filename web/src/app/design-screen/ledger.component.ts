import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  equilibrium,
  figures,
  formatNumber,
  memberChecker,
  significant,
  type Calculated,
  type CalculationStep,
  type Figure,
  type MemberCheck,
} from '@hashira/core';
import { differenceText, figureExact, figurePlace, figureText, figureTrace } from '../shared/figure-text';
import { TraceService } from '../shared/trace.service';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';

/** The governing numbers of the selected alternative, its members' utilisation, and the balance of loads and reactions. */
@Component({
  selector: 'app-ledger',
  templateUrl: './ledger.component.html',
  styleUrl: './ledger.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LedgerComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly traces = inject(TraceService);

  readonly calculated = input.required<Calculated>();
  readonly alternative = input.required<string>();
  readonly title = input.required<string>();

  protected readonly isReference = computed(
    () => this.workspace.state()?.design.reference === this.alternative(),
  );

  protected readonly rows = computed(() => {
    const reference = this.workspace
      .results()
      .alternatives.get(this.workspace.state()?.design.reference ?? '');
    return figures.map((figure) => {
      const result = this.calculated().governing[figure.id];
      const other = reference?.ok ? reference.value.governing[figure.id] : undefined;
      return {
        figure,
        text: figureText(figure, result),
        exact: figureExact(figure, result),
        place: figurePlace(result),
        difference: this.isReference() ? '' : differenceText(result, other),
        over: figure.id === 'utilisation' && (result?.value ?? 0) > 1,
      };
    });
  });

  protected readonly members = computed(() =>
    this.calculated().checks.map((check) => ({
      check,
      name: check.member,
      section:
        this.calculated().frame.sections[this.calculated().frame.memberIds.indexOf(check.of[0]!)]!.title,
      text: check.utilisation === undefined ? 'not covered' : significant(check.utilisation),
      width: Math.min(1, check.utilisation ?? 0) * 100,
      over: (check.utilisation ?? 0) > 1,
      reason:
        check.reasons.join(' ') || (check.governs ? `${check.governs.title}, ${check.governs.clause}` : ''),
    })),
  );

  protected readonly balance = computed(() => {
    const { frame, results, resultants, selections } = this.calculated();
    const selection = selections.find((s) => s.id === this.view.resultId());
    if (!selection) return undefined;
    const { applied, reactions, residual } = equilibrium(frame, results, resultants, selection.factors);
    const row = (name: string, at: number, quantity: 'force' | 'moment') => ({
      name,
      loads: formatNumber(applied[at]!, quantity),
      reactions: formatNumber(reactions[at]!, quantity),
    });
    return {
      id: selection.id,
      rows: [row('ΣX kN', 0, 'force'), row('ΣZ kN', 2, 'force'), row('ΣM kN·m', 4, 'moment')],
      residual: residual.toExponential(0),
    };
  });

  protected traceFigure(figure: Figure): void {
    this.traces.open.set(() => {
      const result = this.calculated().governing[figure.id];
      return result && figureTrace(figure, this.title(), this.calculated(), result);
    });
  }

  protected traceMember(check: MemberCheck): void {
    this.traces.open.set(() => {
      const checker = memberChecker(this.calculated());
      const index = checker.members.findIndex(({ id }) => id === check.member);
      if (index < 0) return undefined;
      const full = checker.check(index, { steps: true });
      return {
        title: full.governs?.title ?? 'Utilisation',
        about: `${this.title()}: ${check.member}, ${full.governs?.combination ?? ''}. ${full.reasons.join(' ')}`,
        value: full.utilisation === undefined ? 'not covered' : significant(full.utilisation),
        steps: [...everyItem(full), ...(full.governs?.steps ?? [])],
      };
    });
  }
}

/** A line for each condition of a member, the worst first: what governs is worked out below them. */
function everyItem({ items }: MemberCheck): CalculationStep[] {
  return items
    .flatMap(({ utilisation, title, combination, clause }) =>
      utilisation === undefined
        ? []
        : [{ symbol: 'η', value: utilisation, unit: '', from: `${title}, ${combination}`, clause }],
    )
    .sort((a, b) => b.value - a.value);
}
