import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { Tab, TabList, Tabs } from 'primeng/tabs';
import { DesignWorkspace } from '../state/design-workspace.service';
import { Selection } from '../state/selection.service';
import { ChoicesLeafComponent } from './choices/choices-leaf.component';
import { DesignTextComponent } from './text/design-text.component';
import { ChoicesPanelComponent } from './choices/choices-panel.component';
import { LoadsLeafComponent } from './loads/loads-leaf.component';
import { ParameterListComponent } from './parameters/parameter-list.component';
import { ParametersEditorComponent } from './parameters/parameters-editor.component';
import { RecipeLeafComponent } from './recipe/recipe-leaf.component';
import { RulesLeafComponent } from './rules/rules-leaf.component';
import { ActionDirective } from '../ui/action.directive';

const leaves = ['Parameters', 'Recipe', 'Rules', 'Loads', 'Choices', 'Text'] as const;
type Leaf = (typeof leaves)[number];
/** Leaves of what an alternative can have otherwise than the others. */
const scopedLeaves: ReadonlySet<Leaf> = new Set(['Parameters', 'Recipe', 'Rules', 'Loads']);

/** The index of what a design is made of, one leaf open at a time. */
@Component({
  selector: 'app-leaves',
  imports: [
    ActionDirective,
    FormsModule,
    SelectButton,
    Tab,
    TabList,
    Tabs,
    ParameterListComponent,
    ParametersEditorComponent,
    ChoicesLeafComponent,
    ChoicesPanelComponent,
    DesignTextComponent,
    RecipeLeafComponent,
    RulesLeafComponent,
    LoadsLeafComponent,
  ],
  template: `
    <p-tabs
      #tabs
      [value]="leaf()"
      [selectOnFocus]="true"
      [showNavigators]="false"
      (valueChange)="leaf.set($any($event))"
    >
      <p-tablist [pt]="{ tabList: { 'aria-label': 'Design' } }">
        @for (name of leaves; track name) {
          <p-tab [value]="name">{{ name }}</p-tab>
        }
      </p-tablist>
    </p-tabs>
    <div
      class="leaf"
      role="tabpanel"
      [id]="tabs.id() + '_tabpanel_' + leaf()"
      [attr.aria-labelledby]="tabs.id() + '_tab_' + leaf()"
    >
      <h2 class="visually-hidden">{{ leaf() }}</h2>
      @if (isScoped()) {
        <p class="scope">
          <span class="soft">changes reach</span>
          <p-selectbutton
            ariaLabel="Which alternatives changes reach"
            [options]="scopes()"
            optionLabel="label"
            optionValue="value"
            size="small"
            [allowEmpty]="false"
            [ngModel]="workspace.scope()"
            (ngModelChange)="workspace.scope.set($event)"
          />
        </p>
      }
      @switch (leaf()) {
        @case ('Parameters') {
          @if (editing()) {
            <app-parameters-editor />
          } @else {
            <app-parameter-list />
          }
          <button appAction class="edit" [attr.aria-expanded]="editing()" (click)="editing.set(!editing())">
            {{ editing() ? 'back to the values' : 'add, name, group or remove parameters' }}
          </button>
          @if (hasChoices()) {
            <h2 class="next">
              In <span class="alternative">{{ title() }}</span>
            </h2>
            <app-choices-panel />
          }
        }
        @case ('Recipe') {
          <app-recipe-leaf />
        }
        @case ('Rules') {
          <app-rules-leaf />
        }
        @case ('Loads') {
          <app-loads-leaf />
        }
        @case ('Choices') {
          <app-choices-leaf />
        }
        @case ('Text') {
          @defer {
            <app-design-text />
          } @placeholder {
            <p class="soft">Opening…</p>
          }
        }
      }
    </div>
  `,
  styleUrl: './leaves.component.css',
  host: { '[class.wide]': "leaf() === 'Text'" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeavesComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly leaves = leaves;
  protected readonly leaf = signal<Leaf>('Parameters');
  /** Parameters are being named and ranged, not only given values. */
  protected readonly editing = signal(false);
  protected readonly scopes = computed(() => [
    { label: 'all alternatives', value: 'all' },
    { label: `${this.title()} alone`, value: 'one' },
  ]);
  /** Where several alternatives are, changes of what the leaf shows reach all of them or one; while recording they go into an option. */
  protected readonly isScoped = computed(
    () =>
      scopedLeaves.has(this.leaf()) &&
      this.design().alternatives.length > 1 &&
      this.workspace.recording() === undefined,
  );
  private readonly design = computed(() => this.workspace.state()!.design);
  protected readonly title = computed(() => this.workspace.selectedAlternative(this.design()).title);
  protected readonly hasChoices = computed(() => this.design().choices.length > 0);

  constructor() {
    const selection = inject(Selection);
    // What was given on the stage stands open among the rules
    effect(() => {
      if (selection.openRule() !== undefined) this.leaf.set('Rules');
    });
  }
}
