import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import {
  addAllCombinations,
  addChoice,
  addOption,
  freeId,
  freeTitle,
  pickOption,
  pickedOption,
  readParameters,
  removeChoice,
  removeOption,
  renameChoice,
  renameOption,
  writeParameters,
  type Choice,
  type Option,
  optionSentences,
} from '@hashira/core';
import { download } from '../../state/saving/design-file';
import { EditableTextComponent } from '../../ui/editable-text.component';
import { focusSoon } from '../../ui/focus-soon';
import { parameterTexts } from '../../state/parameter-texts';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ActionDirective } from '../../ui/action.directive';

/** Choices and options down, alternatives across, a mark where an option is picked. */
@Component({
  selector: 'app-choices-leaf',
  imports: [ActionDirective, EditableTextComponent],
  templateUrl: './choices-leaf.component.html',
  styleUrl: './choices-leaf.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoicesLeafComponent {
  protected readonly workspace = inject(DesignWorkspace);
  private readonly texts = parameterTexts();
  private readonly design = computed(() => this.workspace.state()!.design);

  protected readonly problem = signal('');
  protected readonly open = signal('');
  protected readonly columns = computed(() => {
    const selected = this.workspace.selectedAlternative(this.design()).id;
    return this.design().alternatives.map((alternative) => ({
      alternative,
      selected: alternative.id === selected,
    }));
  });
  protected readonly choices = computed(() => {
    const { choices, alternatives } = this.design();
    return choices.map((choice) => ({
      choice,
      options: choice.options.map((option) => ({
        option,
        key: `${choice.id}/${option.id}`,
        words: optionSentences(option, this.design(), this.texts()),
        picked: alternatives.map((one) => pickedOption(choices, one, choice.id) === option.id),
      })),
    }));
  });
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly recording = this.workspace.recording;

  protected pick(alternative: string, choice: string, option: string): void {
    this.workspace.apply((design) => pickOption(design, alternative, choice, option));
  }

  protected toggle(key: string): void {
    this.open.update((open) => (open === key ? '' : key));
  }

  /** What is changed from now on goes into the option, until recording ends. */
  protected record(choice: Choice, option: Option): void {
    if (this.isRecording(choice, option)) this.workspace.endRecording();
    else this.workspace.beginRecording(choice.id, option.id);
  }

  protected isRecording({ id }: Choice, option: Option): boolean {
    const now = this.recording();
    return now?.choice === id && now.option === option.id;
  }

  protected addChoice(): void {
    const { choices } = this.design();
    const title = freeTitle(
      'New choice',
      choices.map((choice) => choice.title),
    );
    const id = freeId(
      title,
      choices.map((choice) => choice.id),
    );
    const options = [{ id: 'as-it-is', title: 'as it is', changes: {} }];
    this.workspace.apply((design) => addChoice(design, { id, title, options }));
    focusSoon(this.host.nativeElement, `[data-choice="${CSS.escape(id)}"] button`);
  }

  protected addOption({ id: choice, options }: Choice): void {
    const title = freeTitle(
      'other',
      options.map((option) => option.title),
    );
    const id = freeId(
      title,
      options.map((option) => option.id),
    );
    this.workspace.apply((design) => addOption(design, choice, { id, title, changes: {} }));
    this.open.set(`${choice}/${id}`);
    focusSoon(this.host.nativeElement, '.option[aria-expanded=true]');
  }

  protected renameChoice({ id }: Choice, title: string): void {
    this.workspace.apply((design) => renameChoice(design, id, title));
  }

  protected renameOption({ id }: Choice, option: Option, title: string): void {
    this.workspace.apply((design) => renameOption(design, id, option.id, title));
  }

  protected removeChoice({ id }: Choice): void {
    this.workspace.endRecording();
    this.workspace.apply((design) => removeChoice(design, id));
    focusSoon(this.host.nativeElement, '.actions button');
  }

  protected removeOption({ id }: Choice, option: Option): void {
    this.workspace.endRecording();
    this.workspace.apply((design) => removeOption(design, id, option.id));
    focusSoon(this.host.nativeElement, `[data-choice="${CSS.escape(id)}"] .option`);
  }

  /** Combinations of options that no alternative picks yet. */
  protected readonly missing = computed(() => {
    const design = this.design();
    return addAllCombinations(design).alternatives.length - design.alternatives.length;
  });

  protected all(): void {
    this.workspace.apply((design) => addAllCombinations(design));
  }

  protected exportTable(): void {
    download(writeParameters(this.design()), `${this.design().title}, parameters.csv`, 'text/csv');
  }

  protected async importTable(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    try {
      const text = await file.text();
      this.workspace.apply((design) => readParameters(design, text));
      this.problem.set('');
    } catch (error) {
      this.problem.set(`"${file.name}": ${error instanceof Error ? error.message : String(error)}`);
    }
  }
}
