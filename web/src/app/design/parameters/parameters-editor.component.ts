import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  addParameter,
  initialParameter,
  parameterFields,
  parameterNameProblem,
  parameterStarts,
  removeParameter,
  renameParameter,
  setParameterFields,
  usesOf,
  type Design,
  type ExpressionPlace,
} from '@hashira/core';
import { ActionMenuComponent } from '../../ui/action-menu.component';
import { EditableTextComponent } from '../../ui/editable-text.component';
import { FieldsComponent, type RecordChange } from '../../ui/fields/fields.component';
import { formulaText } from '../../ui/fields/values';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { ActionDirective } from '../../ui/action.directive';

/** Parameters added, named, grouped, given a range, and removed; each tells where it is used. */
@Component({
  selector: 'app-parameters-editor',
  imports: [ActionDirective, ActionMenuComponent, EditableTextComponent, FieldsComponent],
  template: `
    @for (row of rows(); track row.parameter.name) {
      <section class="one" [attr.aria-label]="row.parameter.title">
        <button
          type="button"
          class="plain head"
          [attr.aria-expanded]="row.open"
          (click)="open.set(row.open ? '' : row.parameter.name)"
        >
          <strong>{{ row.parameter.title }}</strong>
          <span class="soft">{{ row.parameter.name }} = {{ row.text }}</span>
        </button>
        @if (row.open) {
          <div class="fields">
            <div class="named">
              name
              <app-editable-text
                [text]="row.parameter.name"
                label="Name of the parameter, in all expressions"
                (changed)="rename(row.parameter.name, $event)"
              />
            </div>
            @if (problem()) {
              <p class="problem" role="alert">{{ problem() }}</p>
            }
            <app-fields
              [fields]="row.fields"
              [record]="row.parameter"
              [key]="'parameter-' + row.parameter.name"
              (changed)="set(row.parameter.name, $event)"
            />
            @if (row.uses.length > 0) {
              <p class="soft">used by {{ row.uses.join('; ') }}</p>
            } @else {
              <p class="soft">used by nothing yet</p>
            }
            <button appAction (click)="remove(row.parameter.name)">remove {{ row.parameter.title }}</button>
          </div>
        }
      </section>
    }
    <app-action-menu
      text="+ parameter …"
      label="Add a parameter"
      [choices]="choices"
      (chosen)="add($event)"
    />
  `,
  styles: `
    .one {
      border-bottom: 1px solid var(--ink-faint);
    }
    .head {
      display: flex;
      flex-direction: column;
      width: 100%;
      min-height: 24px;
      overflow-wrap: anywhere;
    }
    .fields {
      padding: 2px 0 6px 8px;
      border-left: 2px solid var(--indigo);
    }
    .named {
      display: grid;
      grid-template-columns: 6.5rem minmax(0, 1fr);
      column-gap: 8px;
    }
    p {
      margin: 4px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParametersEditorComponent {
  private readonly workspace = inject(DesignWorkspace);
  private readonly starts = parameterStarts;
  protected readonly choices = parameterStarts.map(({ title }) => ({ key: title, label: title }));
  protected readonly open = signal('');
  /** Why a name was not taken. */
  protected readonly problem = signal('');
  private readonly design = computed(() => this.workspace.edited()!);
  protected readonly rows = computed(() => {
    const design = this.design();
    return design.parameters.map((parameter) => {
      const open = parameter.name === this.open();
      return {
        parameter,
        open,
        text: formulaText(parameter.value),
        fields: open ? parameterFields(parameter) : {},
        uses: open ? usesOf(design, parameter.name).map((place) => placeWords(design, place)) : [],
      };
    });
  });

  protected set(of: string, { name, value }: RecordChange): void {
    this.workspace.apply((design) => setParameterFields(design, of, { [name]: value }));
  }

  protected rename(from: string, to: string): void {
    const taken = this.design().parameters.some(({ name }) => name === to && name !== from);
    const problem = parameterNameProblem(to) ?? (taken ? `Another parameter is called "${to}".` : '');
    this.problem.set(problem);
    if (problem !== '') return;
    this.workspace.apply((design) => renameParameter(design, from, to));
    this.open.set(to);
  }

  protected remove(name: string): void {
    this.workspace.apply((design) => removeParameter(design, name));
  }

  protected add(key: string): void {
    const start = this.starts.find(({ title }) => title === key);
    if (!start) return;
    const parameter = initialParameter(
      start,
      this.design().parameters.map(({ name }) => name),
    );
    this.workspace.apply((design) => addParameter(design, parameter));
    this.open.set(parameter.name);
  }
}

/** Where an expression stands, in words: "step First portal, eaves". */
function placeWords(design: Design, { kind, id, field }: ExpressionPlace): string {
  const lists: Partial<Record<ExpressionPlace['kind'], readonly { id: string; title?: string }[]>> = {
    step: design.steps,
    rule: design.rules,
    figure: design.figures,
    alternative: design.alternatives,
    parameter: design.parameters.map(({ name, title }) => ({ id: name, title })),
  };
  const title = lists[kind]?.find((one) => one.id === id)?.title ?? id;
  return `${kind} ${title}${field === '' ? '' : `, ${field}`}`;
}
