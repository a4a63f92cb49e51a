import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { setStep, type PortalStep } from '@hashira/core';
import { Select } from 'primeng/select';
import { DesignWorkspace } from '../workspace/design-workspace.service';

/** The fields of the portal steps: roof and bays, for all alternatives. */
@Component({
  selector: 'app-portal-panel',
  imports: [FormsModule, Select],
  template: `
    @for (step of steps(); track step.id) {
      <div class="pair">
        <label [attr.for]="'r-' + step.id">Roof</label>
        <p-select
          [inputId]="'r-' + step.id"
          ariaLabel="Roof"
          [options]="roofs"
          optionLabel="label"
          optionValue="value"
          size="small"
          appendTo="body"
          [ngModel]="step.roof"
          (onChange)="setRoof(step, $event.value)"
        />
      </div>
      <div class="pair">
        <label [attr.for]="'b-' + step.id">Bays</label>
        <input
          #bays
          class="bays"
          [id]="'b-' + step.id"
          autocomplete="off"
          spellcheck="false"
          title="Widths of the bays, left to right, with ; between them: span; 8 m"
          [value]="step.bays.join('; ')"
          (blur)="setBays(step, bays.value)"
          (keydown.enter)="setBays(step, bays.value)"
        />
      </div>
    }
  `,
  styleUrl: './pair.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PortalPanelComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly steps = computed(() => this.workspace.state()!.design.steps);
  protected readonly roofs = [
    { label: 'flat', value: 'flat' },
    { label: 'mono-pitch', value: 'mono' },
    { label: 'duo-pitch', value: 'duo' },
  ];

  protected setRoof(step: PortalStep, roof: PortalStep['roof']): void {
    this.workspace.apply((design) => setStep(design, step.id, { roof }));
  }

  protected setBays(step: PortalStep, text: string): void {
    const bays = text
      .split(';')
      .map((bay) => bay.trim())
      .filter((bay) => bay !== '');
    if (bays.length === 0 || bays.join() === step.bays.join()) return;
    this.workspace.apply((design) => setStep(design, step.id, { bays }));
  }
}
