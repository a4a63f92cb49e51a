import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  applyAlternative,
  attempt,
  catalogue,
  dropOwnParameter,
  grades,
  pickOption,
  pickedOption,
  setOwnParameter,
  setParameter,
  setStep,
  type BuiltFrame,
  type Design,
  type Parameter,
  type PortalStep,
} from '@hashira/core';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ParameterRowComponent } from './parameter-row.component';

const profiles = ['HEA', 'HEB', 'IPE'].map((series) => ({
  label: series,
  items: catalogue.filter((entry) => entry.series === series).map(({ name }) => ({ label: name, value: name })),
}));

/** The recipe: parameters, what varies in the selected alternative, and the shape of the frame. */
@Component({
  selector: 'app-recipe-panel',
  imports: [FormsModule, Select, SelectButton, ParameterRowComponent],
  templateUrl: './recipe-panel.component.html',
  styleUrl: './recipe-panel.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipePanelComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly profiles = profiles;
  protected readonly grades = grades.map(({ id }) => ({ label: id, value: id }));
  protected readonly roofs = [
    { label: 'flat', value: 'flat' },
    { label: 'mono-pitch', value: 'mono' },
    { label: 'duo-pitch', value: 'duo' },
  ];
  protected readonly scopes = [
    { label: 'all', value: 'all' },
    { label: 'this one', value: 'one' },
  ];

  /** Whether a change of a parameter reaches all alternatives or the selected one. */
  protected readonly scope = signal<'all' | 'one'>('all');

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));

  /** The frame built for the selected alternative, if its geometry stands. */
  private readonly built = computed((): BuiltFrame | undefined => {
    const result = this.workspace.results().alternatives.get(this.alternative().id);
    return result?.ok ? result.value.built : result?.built;
  });

  private readonly problems = computed(() => {
    const result = this.workspace.results().alternatives.get(this.alternative().id);
    return result && !result.ok ? result.problems : [];
  });

  protected readonly rows = computed(() => {
    const alternative = this.alternative();
    // An alternative that names what does not exist is reported by the calculation; its base values are shown here
    const outcome = attempt(() => applyAlternative(this.design(), alternative));
    const { parameters } = outcome.ok ? outcome.value : this.design();
    const names = parameters.map((p) => p.name);
    const values = this.built()?.parameters;
    return parameters.map((parameter) => {
      const value = values?.scope.get(parameter.name);
      return {
        parameter,
        value: typeof value === 'object' ? value.si : undefined,
        range: values?.ranges.get(parameter.name),
        formula: usesNames(parameter.value, names),
        own: alternative.parameters?.[parameter.name] !== undefined,
        problem: this.problems().find((problem) => problem.where['parameter'] === parameter.name),
      };
    });
  });

  protected readonly choices = computed(() =>
    this.design().choices.map((choice) => ({
      ...choice,
      picked: pickedOption(this.design(), this.alternative(), choice.id),
    })),
  );

  protected setParameter(parameter: Parameter, text: string, gesture: boolean): void {
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

  protected pick(choice: string, option: string): void {
    const { id } = this.alternative();
    this.workspace.apply((design) => pickOption(design, id, choice, option));
  }

  protected setRoof(step: PortalStep, roof: PortalStep['roof']): void {
    this.workspace.apply((design: Design) => setStep(design, step.id, { roof }));
  }

  protected setBays(step: PortalStep, text: string): void {
    const bays = text
      .split(/[;|]/)
      .map((bay) => bay.trim())
      .filter((bay) => bay !== '');
    if (bays.length === 0 || bays.join() === step.bays.join()) return;
    this.workspace.apply((design: Design) => setStep(design, step.id, { bays }));
  }
}

function usesNames(expression: string, names: readonly string[]): boolean {
  return (expression.match(/[A-Za-z_]\w*/g) ?? []).some((word) => names.includes(word));
}
