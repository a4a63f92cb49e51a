import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  addFigure,
  attempt,
  figureFields,
  figureKinds,
  initialFigure,
  moveFigure,
  removeFigure,
  setFigure,
  setFigureField,
  type Fields,
  type FigureSpec,
} from '@hashira/core';
import { ActionMenuComponent } from '../../ui/action-menu.component';
import { EditableTextComponent } from '../../ui/editable-text.component';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ActionDirective } from '../../ui/action.directive';

/** What alternatives are compared by: figures named, given limits, put in order, added and removed. */
@Component({
  selector: 'app-figures-editor',
  imports: [ActionDirective, ActionMenuComponent, EditableTextComponent, FieldsComponent],
  template: `
    @for (row of rows(); track row.figure.id) {
      <section class="figure" [attr.aria-label]="row.figure.title" [title]="row.figure.id">
        <div class="head">
          <button
            type="button"
            class="plain"
            [attr.aria-expanded]="row.open"
            (click)="open.set(row.open ? '' : row.figure.id)"
          >
            {{ row.figure.title }}
          </button>
          <button
            appAction
            class="tool"
            [disabled]="row.first"
            [attr.aria-label]="'Move ' + row.figure.title + ' up'"
            (click)="move(row.figure, -1)"
          >
            ↑
          </button>
          <button
            appAction
            class="tool"
            [attr.aria-label]="'Remove ' + row.figure.title"
            (click)="remove(row.figure)"
          >
            ×
          </button>
        </div>
        @if (row.open) {
          <app-editable-text
            [text]="row.figure.title"
            label="Title of the figure"
            (changed)="rename(row.figure, $event)"
          />
          <app-fields
            [fields]="row.fields"
            [record]="row.figure"
            [key]="'figure-' + row.figure.id"
            (changed)="set(row.figure, $event)"
          />
        }
      </section>
    }
    <app-action-menu text="+ figure …" label="Add a figure" [choices]="choices" (chosen)="add($event)" />
  `,
  styles: `
    /* Below the button that closes it, which floats */
    :host {
      display: block;
      clear: both;
    }
    .figure {
      border-bottom: 1px solid var(--ink-faint);
    }
    .head {
      display: flex;
      min-height: 24px;
    }
    .head button:first-child {
      flex: 1;
    }
    .tool {
      min-width: 24px;
      text-align: center;
    }
    .tool:disabled {
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiguresEditorComponent {
  private readonly workspace = inject(DesignWorkspace);
  protected readonly choices = figureKinds.map(({ kind, title }) => ({
    key: kind,
    label: title.toLowerCase(),
  }));
  protected readonly open = signal('');
  private readonly design = computed(() => this.workspace.state()!.design);
  protected readonly rows = computed(() =>
    this.design().figures.map((figure, i) => {
      const open = this.open() === figure.id;
      const outcome = attempt(() => figureFields(figure));
      return {
        figure,
        first: i === 0,
        open,
        // A kind that is not known has no fields; the ledger says so
        fields: open && outcome.ok ? withoutTitle(outcome.value) : {},
      };
    }),
  );

  protected set({ id }: FigureSpec, { name, value }: RecordChange): void {
    this.workspace.apply((design) => setFigureField(design, id, name, value));
  }

  protected rename({ id }: FigureSpec, title: string): void {
    this.workspace.apply((design) => setFigure(design, id, { title }));
  }

  protected move({ id }: FigureSpec, by: number): void {
    const index = this.design().figures.findIndex((one) => one.id === id) + by;
    this.workspace.apply((design) => moveFigure(design, id, index));
  }

  protected remove({ id }: FigureSpec): void {
    this.workspace.apply((design) => removeFigure(design, id));
  }

  protected add(key: string): void {
    const kind = figureKinds.find((one) => one.kind === key);
    if (!kind) return;
    const figure = initialFigure(kind, this.design());
    this.workspace.apply((design) => addFigure(design, figure));
    this.open.set(figure.id);
  }
}

/** The title is changed where it stands. */
function withoutTitle({ title: _, ...others }: Fields): Fields {
  return others;
}
