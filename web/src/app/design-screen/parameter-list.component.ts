import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  applyAlternative,
  attempt,
  dropOwnParameter,
  setOwnParameter,
  setParameter,
  type Parameter,
} from '@hashira/core';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { NameRowComponent } from './name-row.component';
import { ParameterRowComponent } from './parameter-row.component';

/** Range of a parameter, SI. */
interface Range {
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
}

/** The parameters as the selected alternative sees them. */
@Component({
  selector: 'app-parameter-list',
  imports: [ParameterRowComponent, NameRowComponent],
  template: `
    @for (row of rows(); track row.parameter.name) {
      @if (row.parameter.kind === 'quantity') {
        <app-parameter-row
          [parameter]="row.parameter"
          [value]="row.value"
          [range]="row.range"
          [formula]="row.formula"
          [own]="row.own"
          [problem]="row.problem"
          (changed)="set(row.parameter, $event.text, $event.gesture)"
          (ended)="workspace.endGesture()"
          (followed)="follow(row.parameter)"
        />
      } @else {
        <app-name-row
          [parameter]="row.parameter"
          [own]="row.own"
          (changed)="set(row.parameter, $event, false)"
          (followed)="follow(row.parameter)"
        />
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParameterListComponent {
  protected readonly workspace = inject(DesignWorkspace);

  /** Whether a change of a parameter reaches all alternatives or the selected one. */
  readonly scope = input.required<'all' | 'one'>();

  private readonly design = computed(() => this.workspace.state()!.design);
  private readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));
  private readonly ranges = new Map<string, Range>();

  protected readonly rows = computed(() => {
    const alternative = this.alternative();
    // An alternative that names what does not exist is reported by the calculation; its base values are shown here
    const outcome = attempt(() => applyAlternative(this.design(), alternative));
    const { parameters } = outcome.ok ? outcome.value : this.design();
    const names = parameters.map((p) => p.name);
    const result = this.workspace.results().alternatives.get(alternative.id);
    const values = result?.ok ? result.value.built.parameters : result?.parameters;
    const problems = result && !result.ok ? result.problems : [];
    return parameters.map((parameter) => {
      const value = values?.scope.get(parameter.name);
      return {
        parameter,
        value: typeof value === 'object' ? value.si : undefined,
        range: this.sameRange(parameter.name, values?.ranges.get(parameter.name)),
        formula: usesNames(parameter.value, names),
        own: alternative.parameters?.[parameter.name] !== undefined,
        problem: problems.find((problem) => problem.where['parameter'] === parameter.name),
      };
    });
  });

  protected set(parameter: Parameter, text: string, gesture: boolean): void {
    const { id, parameters } = this.alternative();
    const own = this.scope() === 'one' || parameters?.[parameter.name] !== undefined;
    this.workspace.apply(
      (design) =>
        own ? setOwnParameter(design, id, parameter.name, text) : setParameter(design, parameter.name, text),
      gesture ? `parameter ${parameter.name}` : undefined,
    );
  }

  protected follow(parameter: Parameter): void {
    const { id } = this.alternative();
    this.workspace.apply((design) => dropOwnParameter(design, id, parameter.name));
  }

  /** The object given before as long as its numbers are the same, so that the row is not rendered anew. */
  private sameRange(name: string, range: Range | undefined): Range | undefined {
    if (!range) return undefined;
    const known = this.ranges.get(name);
    if (known && known.min === range.min && known.max === range.max && known.step === range.step)
      return known;
    this.ranges.set(name, range);
    return range;
  }
}

function usesNames(expression: string, names: readonly string[]): boolean {
  return (expression.match(/[A-Za-z_]\w*/g) ?? []).some((word) => names.includes(word));
}
