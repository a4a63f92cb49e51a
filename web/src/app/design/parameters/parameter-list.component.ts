import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  addSections,
  applyAlternative,
  attempt,
  dropOwnParameter,
  optionsThatChange,
  setValue,
  takeTypedParameter,
  type OwnSection,
  type Parameter,
  ownValue,
} from '@hashira/core';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { optionWords } from '../../ui/fields/values';
import { NameRowComponent } from './name-row.component';
import { ParameterRowComponent } from './parameter-row.component';
import { readersUnits } from '../../ui/units.service';

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
      @if (row.heading) {
        <h3>{{ row.heading }}</h3>
      }
      @if (row.parameter.kind === 'quantity') {
        <app-parameter-row
          [parameter]="row.parameter"
          [value]="row.value"
          [range]="row.range"
          [formula]="row.formula"
          [own]="row.own"
          [problem]="row.told?.refused ?? row.problem"
          [note]="row.told?.words ?? row.options"
          (changed)="set(row.parameter, $event.text, $event.gesture)"
          (gestureEnd)="workspace.endGesture()"
          (followed)="follow(row.parameter)"
        />
      } @else {
        <app-name-row
          [parameter]="row.parameter"
          [own]="row.own"
          [sections]="design().sections"
          (changed)="set(row.parameter, $event, false)"
          (made)="take(row.parameter, $event)"
          (followed)="follow(row.parameter)"
        />
      }
    }
  `,
  styles: `
    h3 {
      margin: 8px 0 2px;
      font-size: var(--size-small);
      color: var(--ink-soft);
      border-bottom: 1px solid var(--ink-faint);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParameterListComponent {
  private readonly units = readersUnits();
  protected readonly workspace = inject(DesignWorkspace);

  protected readonly design = computed(() => this.workspace.edited()!);
  private readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));
  private readonly ranges = new Map<string, Range>();
  /** What became of what was typed last, and the state of the design that it is told of. */
  private readonly told = signal<
    | { readonly name: string; readonly version: number; readonly refused?: string; readonly words?: string }
    | undefined
  >(undefined);

  protected readonly rows = computed(() => {
    const alternative = this.alternative();
    // An alternative that names what does not exist is reported by the calculation; its base values are shown here
    const outcome = attempt(() => applyAlternative(this.design(), alternative));
    const { parameters } = outcome.ok ? outcome.value : this.design();
    const names = parameters.map((p) => p.name);
    const summary = this.workspace.results().alternatives.get(alternative.id)?.summary;
    const told = this.told();
    const version = this.workspace.state()?.version;
    return parameters.map((parameter, i) => {
      const known =
        summary && Object.hasOwn(summary.parameters, parameter.name)
          ? ownValue(summary.parameters, parameter.name)
          : undefined;
      return {
        parameter,
        value: known?.value,
        range: this.sameRange(parameter.name, known),
        formula: usesNames(parameter.value, names),
        own: alternative.parameters !== undefined && Object.hasOwn(alternative.parameters, parameter.name),
        options: this.optionsOf(parameter.name),
        problem: summary?.problems.find((problem) => problem.where['parameter'] === parameter.name)?.message,
        told: told?.name === parameter.name && told.version === version ? told : undefined,
        heading:
          parameter.group !== undefined && parameter.group !== parameters[i - 1]?.group
            ? parameter.group
            : '',
      };
    });
  });

  /** The options from which a value is, unless the alternative has its own. */
  private optionsOf(name: string): string {
    const { design } = this.workspace.state()!;
    const alternative = this.workspace.selectedAlternative(design);
    if (Object.hasOwn(alternative.parameters ?? {}, name)) return '';
    const words = optionWords(optionsThatChange(design, alternative, 'parameters', name));
    return words === '' ? '' : `as ${words}`;
  }

  /** What is dragged is within the range; what is typed may be refused, or widen it. */
  protected set(parameter: Parameter, text: string, gesture: boolean): void {
    const id = this.idIfOwn(parameter);
    if (!gesture && parameter.kind === 'quantity') {
      const typed = takeTypedParameter(this.design(), this.alternative(), parameter.name, text, {
        ...(id === undefined ? {} : { own: id }),
        units: this.units(),
      });
      const isRefused = 'refused' in typed;
      if (!isRefused) this.workspace.apply(() => typed.design);
      const what = isRefused ? { refused: typed.refused } : { words: typed.words ?? '' };
      this.told.set({ name: parameter.name, version: this.workspace.state()!.version, ...what });
      return;
    }
    this.workspace.apply(
      (design) => setValue(design, parameter.name, text, id),
      gesture ? `parameter ${parameter.name}` : undefined,
    );
  }

  /** Sections that were made go into the design; the first becomes the value. */
  protected take(parameter: Parameter, sections: readonly OwnSection[]): void {
    const id = this.idIfOwn(parameter);
    this.workspace.apply((design) =>
      setValue(addSections(design, sections), parameter.name, sections[0]!.name, id),
    );
  }

  /** The selected alternative where the value is to be its own. */
  private idIfOwn(parameter: Parameter): string | undefined {
    const { id, parameters } = this.alternative();
    const own =
      this.workspace.scope() === 'one' ||
      (parameters !== undefined && Object.hasOwn(parameters, parameter.name));
    return own ? id : undefined;
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
