import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { significant } from '@hashira/core';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import type { DiagramKind } from '../stage/scene';
import { ViewState } from '../workspace/view-state.service';

/** Chooses on the stage what all stages show: load case or combination, diagram, deformed shape and its scale, loads. */
@Component({
  selector: 'app-stage-bar',
  imports: [FormsModule, Select, SelectButton],
  templateUrl: './stage-bar.component.html',
  styleUrl: './stage-bar.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StageBarComponent {
  protected readonly view = inject(ViewState);
  protected readonly diagrams: { label: string; value: DiagramKind; title: string }[] = [
    { label: 'bare', value: 'none', title: 'no diagram' },
    { label: 'N', value: 'N', title: 'axial force, tension positive' },
    { label: 'V', value: 'V', title: 'shear force' },
    { label: 'M', value: 'M', title: 'bending moment, drawn on the tension side' },
  ];
  protected readonly factor = computed(() => significant(this.view.scales().deformation));

  protected typeFactor(text: string): void {
    const factor = Number(text.replace(',', '.').replace(/[×x\s]/g, ''));
    if (Number.isFinite(factor) && factor > 0) this.view.deformation.set({ kind: 'fixed', factor });
  }
}
