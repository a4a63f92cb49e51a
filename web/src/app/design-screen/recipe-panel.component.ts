import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ChoicesPanelComponent } from './choices-panel.component';
import { ParameterListComponent } from './parameter-list.component';
import { PortalPanelComponent } from './portal-panel.component';

/** The recipe: parameters, what varies in the selected alternative, and the shape of the frame. */
@Component({
  selector: 'app-recipe-panel',
  imports: [FormsModule, SelectButton, ParameterListComponent, ChoicesPanelComponent, PortalPanelComponent],
  template: `
    <h2>
      Parameters <span class="soft for">of alternatives:</span>
      <p-selectbutton
        [options]="scopes"
        optionLabel="label"
        optionValue="value"
        size="small"
        [allowEmpty]="false"
        [ngModel]="scope()"
        (ngModelChange)="scope.set($event)"
      />
    </h2>
    <app-parameter-list [scope]="scope()" />
    <h2 class="next">
      In <span class="alternative">{{ title() }}</span>
    </h2>
    <app-choices-panel />
    <h2 class="next">Portal, all alternatives</h2>
    <app-portal-panel />
  `,
  styleUrl: './recipe-panel.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipePanelComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly scopes = [
    { label: 'all', value: 'all' },
    { label: 'this one', value: 'one' },
  ];

  /** Whether a change of a parameter reaches all alternatives or the selected one. */
  protected readonly scope = signal<'all' | 'one'>('all');
  protected readonly title = computed(
    () => this.workspace.selectedAlternative(this.workspace.state()!.design).title,
  );
}
