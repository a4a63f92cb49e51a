import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { significant } from '@hashira/core';
import { InputNumber } from 'primeng/inputnumber';
import { ComparedDesign } from '../compared-design.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ViewState } from '../../state/view-state.service';
import { PairedShapes, type ListedShape } from '../stages/paired-shapes.service';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

/** A shape of the reference, or one of another alternative that is like none of the reference, over the alternatives. */
interface ShapeRow {
  readonly key: string;
  readonly title: string;
  /** What is shown when it is pressed; absent where the reference has it not. */
  readonly result?: string;
  readonly cells: readonly { readonly text: string; readonly note: string; readonly inBand: boolean }[];
}

/** Modes, or buckling shapes of the shown combination, of all alternatives: each beside the reference's that is most like it. */
@Component({
  selector: 'app-shapes-table',
  imports: [ActionDirective, FormsModule, InputNumber],
  templateUrl: './shapes-table.component.html',
  styleUrl: './shapes-table.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShapesTableComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  protected readonly shapes = inject(PairedShapes);

  protected readonly design = inject(ComparedDesign).now;
  protected readonly combination = computed(() => this.shapes.kind()?.combination);
  private readonly typedFrom = signal<number | null | undefined>(undefined);
  private readonly typedTo = signal<number | null | undefined>(undefined);

  /** The greatest frequency that a figure asks for at least, Hz. */
  private readonly limit = computed(() => {
    const known = this.workspace.results().alternatives.get(this.design().reference)?.summary.figures ?? [];
    const limits = known.flatMap(({ quantity, limit }) =>
      quantity === 'frequency' && limit !== undefined ? [limit] : [],
    );
    return limits.length > 0 ? Math.max(...limits) : undefined;
  });
  protected readonly from = computed(() => this.typedFrom() ?? 0);
  protected readonly to = computed(() => this.typedTo() ?? this.limit() ?? null);

  protected setFrom(value: number | null): void {
    this.typedFrom.set(value);
  }

  protected setTo(value: number | null): void {
    this.typedTo.set(value);
  }

  protected readonly rows = computed((): ShapeRow[] => {
    const { alternatives, reference } = this.design();
    const lists = this.shapes.lists();
    const base = lists.get(reference) ?? [];
    const paired = base.map((shape, i): ShapeRow => ({
      key: `reference ${i}`,
      title: `${i + 1} ${shape.words}`,
      result: this.resultOf(shape),
      cells: alternatives.map(({ id }) => {
        const own = lists.get(id);
        const index = own?.findIndex(({ pair }) => pair?.mode === i + 1) ?? -1;
        return this.cellOf(own, index, shape, i, id === reference);
      }),
    }));
    const others = alternatives.flatMap(({ id, title }, column) =>
      (lists.get(id) ?? []).flatMap((shape, i): ShapeRow[] =>
        shape.pair && shape.pair.mode <= base.length
          ? []
          : [
              {
                key: `${id} ${i}`,
                title: `${shape.words}, ${title} only`,
                cells: alternatives.map((_, k) =>
                  k === column
                    ? {
                        text: this.valueOf(shape.value),
                        note: shape.pair
                          ? `like shape ${shape.pair.mode} of the reference`
                          : `its shape ${i + 1}`,
                        inBand: this.isInBand(shape.value),
                      }
                    : { text: '–', note: '', inBand: false },
                ),
              },
            ],
      ),
    );
    return [...paired, ...others];
  });

  private cellOf(
    own: readonly ListedShape[] | undefined,
    index: number,
    base: ListedShape,
    place: number,
    isReference: boolean,
  ): ShapeRow['cells'][number] {
    const shape = own?.[index];
    if (!shape) return { text: own ? 'none like it' : '…', note: '', inBand: false };
    const value = this.valueOf(shape.value);
    const inBand = this.isInBand(shape.value);
    if (isReference) return { text: value, note: '', inBand };
    const swapped = index === place ? '' : `changed places: here shape ${index + 1}`;
    const likeness = `MAC ${shape.pair!.mac.toFixed(2)}`;
    const percent = 100 * (shape.pair!.ratio - 1);
    const change =
      Math.abs(percent) < 0.05 ? '±0 %' : `${percent > 0 ? '+' : '−'}${significant(Math.abs(percent), 2)} %`;
    return {
      text: `${this.valueOf(base.value, false)} → ${value}`,
      note: [change, likeness, swapped].filter((one) => one !== '').join(', '),
      inBand,
    };
  }

  private valueOf(value: number, withUnit = true): string {
    if (this.combination() !== undefined) return `${significant(value)}${withUnit ? ' ×' : ''}`;
    return withUnit ? this.units().withUnit(value, 'frequency') : significant(value);
  }

  private isInBand(value: number): boolean {
    const to = this.to();
    return this.combination() === undefined && to !== null && value >= this.from() && value <= to;
  }

  private resultOf({ number }: ListedShape): string {
    const combination = this.combination();
    return combination === undefined ? `mode.${number}` : `buckling.${number}.${combination}`;
  }

  /** Shows a shape on all stages, moving. */
  protected show({ result }: ShapeRow): void {
    if (result === undefined) return;
    this.view.showResult(result);
    this.view.moving.set(true);
  }
}
