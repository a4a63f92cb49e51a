import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Button } from 'primeng/button';
import { Tooltip } from 'primeng/tooltip';
import { ReadersUnits } from '../ui/units.service';
import { DesignWorkspace } from '../state/design-workspace.service';

/** The header's buttons, apart from what changes with every number: to look at them again costs more than they show. */
@Component({
  selector: 'app-header-tools',
  imports: [Button, Tooltip],
  template: `
    <p-button
      label="Undo"
      size="small"
      [text]="true"
      [disabled]="!canUndo()"
      (onClick)="workspace.undo()"
      pTooltip="Ctrl Z"
    />
    <p-button
      label="Redo"
      size="small"
      [text]="true"
      [disabled]="!canRedo()"
      (onClick)="workspace.redo()"
      pTooltip="Ctrl Y"
    />
    <p-button
      [label]="unitWords()"
      size="small"
      [text]="true"
      ariaLabel="{{ unitWords() }}: units, press for the others"
      (onClick)="units.choose(units.system() === 'us' ? 'metric' : 'us')"
      pTooltip="Units"
    />
    <p-button label="Keys" size="small" [text]="true" (onClick)="keys.emit()" pTooltip="F1" />
    <p-button
      label="Export"
      size="small"
      severity="secondary"
      [outlined]="true"
      (onClick)="exported.emit()"
    />
  `,
  styles: ':host { display: contents; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeaderToolsComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly units = inject(ReadersUnits);
  protected readonly canUndo = computed(() => this.workspace.state()?.canUndo ?? false);
  protected readonly canRedo = computed(() => this.workspace.state()?.canRedo ?? false);
  protected readonly unitWords = computed(() => (this.units.system() === 'us' ? 'ft, kip' : 'm, kN'));

  /** The page of keys is asked for. */
  readonly keys = output();
  readonly exported = output();
}
