import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { setOwnParameter, setParameter, significant } from '@hashira/core';
import type { DimensionChange } from '../stage/dimension-label.component';
import { StageComponent } from '../stage/stage.component';
import { StageBarComponent } from '../shared/stage-bar.component';
import { stageContent } from '../shared/stage-content';
import { TracePanelComponent } from '../shared/trace-panel.component';
import { TraceService } from '../shared/trace.service';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';
import { AlternativesStripComponent } from './alternatives-strip.component';
import { LedgerComponent } from './ledger.component';
import { RecipePanelComponent } from './recipe-panel.component';

/** The design screen: recipe, stage, ledger, and the strip of alternatives. */
@Component({
  selector: 'app-design-screen',
  imports: [
    RecipePanelComponent,
    StageComponent,
    StageBarComponent,
    LedgerComponent,
    AlternativesStripComponent,
    TracePanelComponent,
  ],
  templateUrl: './design-screen.component.html',
  styleUrl: './design-screen.component.css',
  providers: [TraceService],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DesignScreenComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  private readonly stage = viewChild(StageComponent);

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));
  protected readonly result = computed(() =>
    this.workspace.results().alternatives.get(this.alternative().id),
  );
  protected readonly calculated = computed(() => {
    const result = this.result();
    return result?.ok ? result.value : undefined;
  });
  protected readonly problems = computed(() => {
    const result = this.result();
    return result && !result.ok ? result.problems : [];
  });
  protected readonly content = computed(() =>
    stageContent(this.result(), this.view.resultId(), this.view.layers(), this.view.scales()),
  );
  /** Dimensions whose expression is just a parameter can be changed on the stage. */
  protected readonly live = computed(
    () => new Set(this.design().parameters.flatMap((p) => (p.kind === 'quantity' ? [p.name] : []))),
  );
  protected readonly resultTitle = computed(() => {
    const id = this.view.resultId();
    const all = [...this.design().loadCases, ...this.design().combinations];
    return `${id} ${all.find((r) => r.id === id)?.title ?? ''}`;
  });

  /** Own weight acts but is not drawn: it is said. */
  protected readonly ownWeight = computed(() => {
    const id = this.view.resultId();
    const combination = this.design().combinations.find((c) => c.id === id);
    const factor = this.design().loadCases.reduce(
      (sum, c) =>
        sum + (c.selfWeight ?? 0) * (combination ? (combination.factors[c.id] ?? 0) : c.id === id ? 1 : 0),
      0,
    );
    return factor === 0 ? '' : `and own weight × ${significant(factor)}`;
  });

  protected changeDimension({ parameter, expression, gesture }: DimensionChange): void {
    const { id, parameters } = this.alternative();
    const own = parameters?.[parameter] !== undefined;
    this.workspace.apply(
      (design) =>
        own
          ? setOwnParameter(design, id, parameter, expression)
          : setParameter(design, parameter, expression),
      gesture ? `parameter ${parameter}` : undefined,
    );
  }

  protected zoom(factor: number): void {
    this.stage()?.zoom(factor);
  }

  protected fitAll(): void {
    this.stage()?.fitAll();
  }
}
