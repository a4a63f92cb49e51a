import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  output,
  signal,
} from '@angular/core';
import {
  addStepWithSection,
  freeId,
  initialStep,
  setStep,
  stepFields,
  stepKinds,
  type Step,
  type StepKind,
} from '@hashira/core';
import { ButtonDirective } from 'primeng/button';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { cardPicture, cardSize, optionPictures } from './step-pictures';
import { StepPreview } from '../../state/preview.service';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { ActionDirective } from '../../ui/action.directive';

/** Cards of all kinds of step in the order of the job; the one that is pressed is set and seen on the stage before it is accepted. */
@Component({
  selector: 'app-new-step',
  imports: [ActionDirective, ButtonDirective, FieldsComponent],
  template: `
    @if (draft(); as d) {
      <section class="draft" [attr.aria-label]="d.kind.title + ', not added yet'">
        <h3>{{ d.kind.title }} <span class="soft">on the stage, not added yet</span></h3>
        <p class="soft">{{ d.kind.about }}</p>
        <app-fields
          [fields]="fieldsOf(d.kind)"
          [record]="d.step"
          [key]="'f-' + d.step.id"
          [problems]="preview.fieldProblems()"
          [pictures]="picturesOf(d.kind)"
          (changed)="set($event)"
        />
        <p class="actions">
          <button type="button" pButton size="small" (click)="accept()">add to the recipe</button>
          <button appAction (click)="drop()">back to the cards</button>
        </p>
        @if (preview.problem()) {
          <p class="problem" role="alert">{{ preview.problem() }}</p>
        }
      </section>
    } @else {
      @for (group of groups(); track group.group) {
        <h3>{{ group.group }}</h3>
        <div class="cards">
          @for (card of group.cards; track card.kind.kind) {
            <button type="button" class="plain card" [title]="card.kind.about" (click)="take(card.kind)">
              <img [src]="card.picture" alt="" [width]="size.width" [height]="size.height" />
              {{ card.kind.title }}
            </button>
          }
        </div>
      }
    }
  `,
  styles: `
    h3 {
      margin: 8px 0 4px;
      font-size: var(--size-small);
      color: var(--ink-soft);
    }
    .cards {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 6px;
    }
    .card {
      padding: 2px 4px 4px;
      border: 1px solid var(--ink-faint);
      background: var(--sheet);
    }
    .card:hover {
      border-color: var(--indigo);
    }
    .card img {
      display: block;
      max-width: 100%;
    }
    .draft {
      padding-left: 8px;
      border-left: 3px solid var(--ochre);
    }
    p {
      margin: 2px 0 6px;
    }
    .actions {
      display: flex;
      gap: 14px;
      margin-top: 8px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewStepComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly preview = inject(StepPreview);
  /** Id of the step that was added. */
  readonly added = output<string>();
  protected readonly size = cardSize;
  protected readonly picturesOf = optionPictures;
  protected readonly draft = signal<{ kind: StepKind; step: Step } | undefined>(undefined);
  private readonly design = computed(() => this.workspace.edited()!);

  protected readonly groups = computed(() =>
    (['make', 'shape', 'connect', 'finish'] as const).map((group) => ({
      group,
      cards: stepKinds
        .filter((kind) => kind.group === group && (!kind.solidOnly || this.design().space === 'solid'))
        .map((kind) => ({ kind, picture: cardPicture(kind) })),
    })),
  );

  protected readonly fieldsOf = stepFields;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.preview.step.set(undefined));
  }

  protected take(kind: StepKind): void {
    const id = freeId(
      kind.kind,
      this.design().steps.map((step) => step.id),
    );
    this.see({ kind, step: initialStep(kind, id) });
  }

  protected set({ name, value }: RecordChange): void {
    const { kind, step } = this.draft()!;
    const [changed] = setStep({ ...this.design(), steps: [step] }, step.id, { [name]: value }).steps;
    this.see({ kind, step: changed! });
  }

  private see(draft: { kind: StepKind; step: Step }): void {
    this.draft.set(draft);
    this.preview.step.set(draft.step);
  }

  protected accept(): void {
    const { step } = this.draft()!;
    this.drop();
    this.workspace.apply((design) => addStepWithSection(design, step));
    this.added.emit(step.id);
  }

  protected drop(): void {
    this.draft.set(undefined);
    this.preview.step.set(undefined);
  }
}
