import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { pickOption, pickedOption } from '@hashira/core';
import { Select } from 'primeng/select';
import { DesignWorkspace } from '../../state/design-workspace.service';

/** What the selected alternative picks of each choice. */
@Component({
  selector: 'app-choices-panel',
  imports: [FormsModule, Select],
  template: `
    @for (choice of choices(); track choice.id) {
      <div class="pair">
        <label [attr.for]="'c-' + choice.id">{{ choice.title }}</label>
        <p-select
          [inputId]="'c-' + choice.id"
          [ariaLabel]="choice.title"
          [options]="choice.options"
          optionLabel="title"
          optionValue="id"
          size="small"
          [ngModel]="choice.picked"
          (onChange)="pick(choice.id, $event.value)"
        />
      </div>
    }
  `,
  styleUrl: '../parameters/pair.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoicesPanelComponent {
  private readonly workspace = inject(DesignWorkspace);
  // Parts of the design that stay the same objects while a parameter is dragged
  private readonly all = computed(() => this.workspace.state()!.design.choices);
  private readonly alternative = computed(() =>
    this.workspace.selectedAlternative(this.workspace.state()!.design),
  );

  protected readonly choices = computed(() =>
    this.all().map((choice) => ({
      ...choice,
      picked: pickedOption(this.all(), this.alternative(), choice.id),
    })),
  );

  protected pick(choice: string, option: string): void {
    const { id } = this.alternative();
    this.workspace.apply((design) => pickOption(design, id, choice, option));
  }
}
