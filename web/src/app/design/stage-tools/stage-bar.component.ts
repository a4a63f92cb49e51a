import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { significant, groupByNames, type DiagramKind, type GroupBy, type ViewName } from '@hashira/core';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { sliceOfText, sliceText, ViewState } from '../../state/view-state.service';
import { ActionDirective } from '../../ui/action.directive';

/** Chooses on the stage what all stages show: load case or combination, diagram, deformed shape and its scale, loads. */
@Component({
  selector: 'app-stage-bar',
  imports: [ActionDirective, FormsModule, Select, SelectButton],
  templateUrl: './stage-bar.component.html',
  styleUrl: './stage-bar.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StageBarComponent {
  protected readonly view = inject(ViewState);
  private readonly workspace = inject(DesignWorkspace);
  private readonly plane: { label: string; value: DiagramKind; title: string }[] = [
    { label: 'bare', value: 'none', title: 'no diagram' },
    { label: 'N', value: 'N', title: 'axial force, tension positive' },
    { label: 'V', value: 'Vz', title: 'shear force' },
    { label: 'M', value: 'My', title: 'bending moment, drawn on the tension side' },
    { label: 'σ', value: 'stress', title: 'stress at the extreme fibres against the yield strength' },
    { label: 'η', value: 'utilisation', title: 'utilisation of members' },
  ];
  private readonly solid: typeof this.plane = [
    { label: 'bare', value: 'none', title: 'no diagram' },
    { label: 'N', value: 'N', title: 'axial force, tension positive' },
    { label: 'Vz', value: 'Vz', title: 'shear force along z' },
    { label: 'My', value: 'My', title: 'bending moment about y, drawn on the tension side' },
    { label: 'Vy', value: 'Vy', title: 'shear force along y' },
    { label: 'Mz', value: 'Mz', title: 'bending moment about z, drawn on the tension side' },
    { label: 'T', value: 'T', title: 'torsion' },
    { label: 'σ', value: 'stress', title: 'stress at the extreme fibres against the yield strength' },
    { label: 'η', value: 'utilisation', title: 'utilisation of members' },
  ];
  protected readonly diagrams = computed(() => (this.view.solid() ? this.solid : this.plane));
  /** By what members can be grouped. */
  protected readonly groupings: { label: string; value: GroupBy | '' }[] = [
    { label: 'members alike', value: '' },
    ...groupByNames.map((name) => ({ label: `by ${name}`, value: name })),
  ];
  protected readonly directions: { label: string; value: ViewName }[] = [
    { label: 'front', value: 'front' },
    { label: 'side', value: 'side' },
    { label: 'plan', value: 'plan' },
    { label: 'oblique', value: 'oblique' },
  ];
  /** The whole frame, and each row, bay, storey or side by itself. */
  protected readonly slices = computed(
    () => {
      const design = this.workspace.state()?.design;
      const known =
        design &&
        this.workspace.results().alternatives.get(this.workspace.selectedAlternative(design).id)?.summary
          .slices;
      return [
        { label: 'the governing part', value: '' },
        { label: 'whole', value: 'whole' },
        ...(known ?? []).flatMap(({ tag, values }) =>
          values.map((value) => ({ label: `${tag} ${value}`, value: `${tag}:${value}` })),
        ),
      ];
    },
    // The list is formed anew only where it says something new
    { equal: (a, b) => a.length === b.length && a.every(({ value }, i) => value === b[i]!.value) },
  );
  protected readonly slice = computed(() => sliceText(this.view.slice()));
  protected readonly factor = computed(() => significant(this.view.scales().deformation));

  protected setSlice(text: string): void {
    this.view.slice.set(sliceOfText(text));
  }

  protected groupMembers(by: GroupBy | ''): void {
    this.view.groupBy.set(by === '' ? undefined : by);
  }

  protected typeFactor(text: string): void {
    const factor = Number(text.replace(',', '.').replace(/[×x\s]/g, ''));
    if (Number.isFinite(factor) && factor > 0) this.view.deformation.set({ kind: 'fixed', factor });
  }
}
