import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  addStep,
  duplicateStep,
  formatPlain,
  freeId,
  initialStep,
  kindOf,
  moveStep,
  removeStep,
  setStep,
  stepKinds,
  switchStep,
  type Field,
  type Step,
  type StepKind,
} from '@hashira/core';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';
import { AxesComponent } from './axes.component';
import { StepFieldComponent } from './step-field.component';

/** The steps in order; one open at a time shows its fields, made from the declaration of its kind. */
@Component({
  selector: 'app-recipe-leaf',
  imports: [AxesComponent, StepFieldComponent],
  templateUrl: './recipe-leaf.component.html',
  styleUrl: './recipe-leaf.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeLeafComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly adding = signal(false);

  private readonly design = computed(() => this.workspace.state()!.design);
  private readonly problems = computed(() => {
    const design = this.design();
    return (
      this.workspace.results().alternatives.get(this.workspace.selectedAlternative(design).id)?.summary
        .problems ?? []
    );
  });

  protected readonly rows = computed(() =>
    this.design().steps.map((step, i, all) => {
      const kind = kindOf(step);
      return {
        step,
        kind,
        title: step.title ?? kind?.title ?? step.id,
        words: kind ? kind.summary(this.withValues(step) as Step) : 'a kind of step that is not known',
        open: this.open() === step.id,
        first: i === 0,
        last: i === all.length - 1,
        problem: this.problemOf(step.id, undefined),
      };
    }),
  );

  /** A step's fields with the values of parameters in the place of their names. */
  private withValues(value: unknown): unknown {
    if (typeof value === 'string') return this.texts().get(value) ?? value;
    if (Array.isArray(value)) return value.map((item) => this.withValues(item));
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, this.withValues(item)]));
  }

  /** Parameters of the selected alternative as they read, by name. */
  private readonly texts = computed(() => {
    const design = this.design();
    const known = this.workspace.results().alternatives.get(this.workspace.selectedAlternative(design).id)
      ?.summary.parameters;
    return new Map(
      design.parameters.flatMap((parameter) => {
        const value =
          known && Object.hasOwn(known, parameter.name) ? known[parameter.name]!.value : undefined;
        return value === undefined || parameter.kind !== 'quantity'
          ? []
          : [[parameter.name, formatPlain(value, parameter.quantity)] as const];
      }),
    );
  });

  protected readonly groups = (['make', 'shape', 'connect', 'finish'] as const).map((group) => ({
    group,
    kinds: stepKinds.filter((kind) => kind.group === group),
  }));

  protected fieldsOf(
    kind: StepKind,
    step: Step,
  ): { name: string; field: Field<unknown>; value: unknown; problem: string }[] {
    return Object.entries(kind.fields).flatMap(([name, field]) => {
      const f = field as Field<unknown>;
      const shown =
        !f.when ||
        f.when.is.includes(step[f.when.field] ?? (kind.fields[f.when.field] as Field<unknown>).fallback);
      return shown ? [{ name, field: f, value: step[name], problem: this.problemOf(step.id, name) }] : [];
    });
  }

  /** What is wrong with a step: at a field, or as a whole where no field is named. */
  private problemOf(id: string, field: string | undefined): string {
    const found = this.problems().find(
      ({ where }) =>
        where['step'] === id &&
        (field === undefined ? where['field'] === undefined : String(where['field']).split('/')[0] === field),
    );
    return found?.message ?? '';
  }

  protected toggle(id: string): void {
    const next = this.open() === id ? undefined : id;
    this.open.set(next);
    this.view.step.set(next);
  }

  protected set(step: Step, name: string, value: unknown): void {
    this.workspace.apply((design) => setStep(design, step.id, { [name]: value }));
  }

  protected switch(step: Step): void {
    this.workspace.apply((design) => switchStep(design, step.id, step.off === true));
  }

  protected move(step: Step, by: 1 | -1): void {
    const index = this.design().steps.findIndex(({ id }) => id === step.id) + by;
    this.workspace.apply((design) => moveStep(design, step.id, index));
  }

  protected duplicate(step: Step): void {
    const { design, id } = duplicateStep(this.design(), step.id);
    this.workspace.apply(() => design);
    this.open.set(id);
  }

  protected remove(step: Step): void {
    this.workspace.apply((design) => removeStep(design, step.id));
    this.view.step.set(undefined);
  }

  /** A new step has what its fields begin with. */
  protected add(kind: StepKind): void {
    const id = freeId(
      kind.kind,
      this.design().steps.map((step) => step.id),
    );
    const step = initialStep(kind, id);
    this.workspace.apply((design) => addStep(design, step));
    this.adding.set(false);
    this.open.set(id);
    this.view.step.set(id);
  }
}
