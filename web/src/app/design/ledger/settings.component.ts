import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { setSetting, settingsFields } from '@hashira/core';
import { RecordFormComponent, type RecordChange } from '../../ui/record-form.component';
import { DesignWorkspace } from '../../state/design-workspace.service';

/** What every alternative is calculated and checked by: order, imperfections, design code and its partial factors. */
@Component({
  selector: 'app-settings',
  imports: [RecordFormComponent],
  template: `
    <details>
      <summary>how it is calculated</summary>
      <app-record-form
        [fields]="fields()"
        key="settings"
        title="the calculation"
        [design]="design()"
        (changed)="set($event)"
      />
      <p class="soft">What is left empty takes the value that its code recommends.</p>
    </details>
  `,
  styles: `
    details {
      margin-top: 8px;
    }
    summary {
      min-height: 24px;
      cursor: pointer;
      color: var(--indigo);
    }
    p {
      margin: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingsComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly fields = computed(() => settingsFields(this.design()));

  protected set({ field, value }: RecordChange): void {
    this.workspace.apply((design) => setSetting(design, field.path, value));
  }
}
