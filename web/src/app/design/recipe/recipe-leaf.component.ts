import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  inject,
  signal,
} from '@angular/core';
import {
  addSections,
  consequencesOf,
  duplicateStep,
  kindOf,
  moveStep,
  optionsThatChange,
  removeStep,
  setStep,
  stepFields,
  switchStep,
  stepWithValues,
  type Fields,
  type Step,
  type StepKind,
} from '@hashira/core';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { parameterTexts } from '../../state/parameter-texts';
import { standingAnswer } from '../../state/answers/standing-answer';
import { ViewState } from '../../state/view-state.service';
import { AxesComponent } from '../parameters/axes.component';
import { optionPictures } from './step-pictures';
import { NewStepComponent } from './new-step.component';
import { focusSoon } from '../../ui/focus-soon';
import { optionWords } from '../../ui/fields/values';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { ActionDirective } from '../../ui/action.directive';

/** The steps in order; one open at a time shows its fields, made from the declaration of its kind. */
@Component({
  selector: 'app-recipe-leaf',
  imports: [
    ActionDirective,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    AxesComponent,
    NewStepComponent,
    FieldsComponent,
  ],
  templateUrl: './recipe-leaf.component.html',
  styleUrl: './recipe-leaf.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeLeafComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly adding = signal(false);
  /** What would lose its hold if a step went; it is asked once more. */
  protected readonly losing = signal<{ step: string; sentences: readonly string[] } | undefined>(undefined);
  /** Drawn anew when a state has been worked out, not while it is on its way. */
  private readonly drawn = standingAnswer('miniatures', () =>
    this.workspace.results().current ? {} : undefined,
  );
  private readonly miniatures = computed(
    () => new Map((this.drawn.value() ?? []).map(({ step, svg }) => [step, addressOf(svg)])),
  );

  private readonly design = computed(() => this.workspace.edited()!);
  private readonly texts = parameterTexts();
  private readonly problems = computed(() => {
    const design = this.design();
    return (
      this.workspace.results().alternatives.get(this.workspace.selectedAlternative(design).id)?.summary
        .problems ?? []
    );
  });

  protected readonly rows = computed(() => {
    const { design } = this.workspace.state()!;
    const alternative = this.workspace.selectedAlternative(design);
    return this.design().steps.map((step, i, all) => {
      const kind = kindOf(step);
      return {
        step,
        kind,
        title: step.title ?? kind?.title ?? step.id,
        picture: this.miniatures().get(step.id),
        words: kind
          ? kind.summary(stepWithValues(kind, step, this.texts()))
          : 'a kind of step that is not known',
        options: optionWords(optionsThatChange(design, alternative, 'steps', step.id)),
        open: this.open() === step.id,
        first: i === 0,
        last: i === all.length - 1,
        problem: this.problemOf(step.id, undefined),
      };
    });
  });

  constructor() {
    // Elsewhere the whole frame stands in ink again
    inject(DestroyRef).onDestroy(() => this.view.step.set(undefined));
  }

  protected fieldsOf(kind: StepKind): Fields {
    return stepFields(kind);
  }

  /** What is wrong with a step's fields, by their names. */
  protected readonly picturesOf = optionPictures;

  protected problemsOf(step: Step, kind: StepKind): Record<string, string> {
    return Object.fromEntries(
      Object.keys(stepFields(kind)).map((name) => [name, this.problemOf(step.id, name)]),
    );
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

  protected set(step: Step, { name, value, sections }: RecordChange): void {
    this.workspace.apply((design) => setStep(addSections(design, sections), step.id, { [name]: value }));
  }

  protected switch(step: Step): void {
    this.workspace.apply((design) => switchStep(design, step.id, step.off === true));
  }

  protected move(step: Step, by: 1 | -1): void {
    const index = this.design().steps.findIndex(({ id }) => id === step.id) + by;
    this.workspace.apply((design) => moveStep(design, step.id, index));
    // At an end the button that was pressed is off: the other one has the focus
    const arrows = `[data-step="${CSS.escape(step.id)}"] .tools button`;
    const own = `:nth-child(${by < 0 ? 1 : 2})`;
    focusSoon(this.host.nativeElement, `${arrows}${own}:enabled`, `${arrows}:enabled`);
  }

  /** A step was dragged to another place of the recipe. */
  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const step = this.rows()[previousIndex]?.step;
    if (!step || previousIndex === currentIndex) return;
    this.workspace.apply((design) => moveStep(design, step.id, currentIndex));
  }

  protected duplicate(step: Step): void {
    const { id } = duplicateStep(this.design(), step.id);
    this.workspace.apply((design) => duplicateStep(design, step.id).design);
    this.open.set(id);
    this.focusStep(id);
  }

  private focusStep(id: string): void {
    focusSoon(this.host.nativeElement, `[data-step="${CSS.escape(id)}"] .title`);
  }

  /** Asks first where something would lose its hold. */
  protected remove(step: Step): void {
    const design = this.design();
    const lost = consequencesOf(
      design,
      removeStep(design, step.id),
      this.workspace.selectedAlternative(design),
    );
    if (lost.length === 0 || this.losing()?.step === step.id) this.removeNow(step);
    else this.losing.set({ step: step.id, sentences: lost });
  }

  private removeNow(step: Step): void {
    this.losing.set(undefined);
    const { steps } = this.design();
    const at = steps.findIndex(({ id }) => id === step.id);
    const next = steps[at + 1] ?? steps[at - 1];
    this.workspace.apply((design) => removeStep(design, step.id));
    if (next) this.focusStep(next.id);
    else focusSoon(this.host.nativeElement, '.add');
    this.view.step.set(undefined);
  }

  protected added(id: string): void {
    this.adding.set(false);
    this.open.set(id);
    this.view.step.set(id);
    this.focusStep(id);
  }
}

const addressOf = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`;
