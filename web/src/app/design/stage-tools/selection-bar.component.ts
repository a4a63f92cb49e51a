import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  signal,
} from '@angular/core';
import {
  addSections,
  conditionWords,
  giveByRule,
  ruleKinds,
  setValue,
  type Design,
  type OwnSection,
  type Parameter,
  stepTitles,
} from '@hashira/core';
import { Calculation } from '../../state/calculation/calculation.service';
import { standingAnswer } from '../../state/answers/standing-answer';
import { ActionMenuComponent } from '../../ui/action-menu.component';
import { focusSoon } from '../../ui/focus-soon';
import { EditableTextComponent } from '../../ui/editable-text.component';
import { SectionPickerComponent } from '../../ui/sections/section-picker.component';
import { Router } from '@angular/router';
import { MembersView } from '../../state/members-view.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { Pointing } from '../../state/pointing.service';
import { Selection } from '../../state/selection.service';
import { FootBarComponent } from './foot-bar.component';
import { ActionDirective } from '../../ui/action.directive';

/** What is selected, the condition that selects it, and what it can be given: a rule, so that what comes later gets it too. */
@Component({
  selector: 'app-selection-bar',
  imports: [
    ActionDirective,
    ActionMenuComponent,
    EditableTextComponent,
    FootBarComponent,
    SectionPickerComponent,
  ],
  template: `
    @if (pointing.active(); as field) {
      <app-foot-bar role="status" aria-label="Pointing">
        <span
          ><strong>{{ field.title }}</strong
          >: press {{ field.of === 'place' ? 'a node' : field.of }} on the stage{{
            field.of === 'place' ? '' : ', with Shift more of them, or draw a box round them with Shift'
          }}</span
        >
        <button appAction class="clear" (click)="pointing.end()">done</button>
      </app-foot-bar>
    } @else if (selection.count() > 0 && selection.proposal(); as proposal) {
      <app-foot-bar role="region" aria-label="Selection">
        <strong>{{ proposal.title }}</strong>
        @if (proposal.condition; as condition) {
          <span class="where soft">
            <app-editable-text
              [text]="condition"
              [shown]="inWords()"
              label="Condition of the selection"
              (changed)="selection.where(selection.selected().of, $event)"
          /></span>
          @if (selection.selected().of === 'members') {
            <app-section-picker
              class="give"
              value="give a section"
              label="Give a section"
              [own]="ownSections()"
              (changed)="giveSection($event)"
              (made)="giveSection($event[0]!.name, $event)"
            />
          }
          <app-action-menu
            class="give"
            text="give …"
            label="Give"
            [choices]="choices()"
            (chosen)="giveKind($event)"
          />
        } @else {
          <span class="soft">no condition selects just this; select by what it has in common</span>
        }
        @if (wider().length > 0) {
          <app-action-menu class="give" text="all …" [choices]="wider()" (chosen)="widen($event)" />
        }
        @if (selection.selected().of === 'members' && selection.count() === 1) {
          <button appAction class="clear" (click)="openSheet()">its sheet</button>
        }
        <button appAction class="clear" (click)="selection.clear()">clear</button>
        @if (question(); as question) {
          <p class="question" role="alert">
            <span>{{ question.title }}: section from the parameter “{{ question.parameter.title }}”.</span>
            <button appAction class="clear" (click)="answer('parameter')">
              change it to {{ question.section }}
            </button>
            <button appAction class="clear" (click)="answer('rule')">
              {{ question.section }} for these alone
            </button>
            <button appAction class="clear" (click)="asked.set(undefined)">leave it</button>
          </p>
        }
        @if (selection.problem()) {
          <p class="problem" role="alert">{{ selection.problem() }}</p>
        }
      </app-foot-bar>
    }
  `,
  styles: `
    .where {
      flex: 1 1 12rem;
      min-width: 0;
    }
    .give {
      flex: none;
    }
    .clear {
      min-height: 24px;
      color: var(--indigo);
    }
    .problem,
    .question {
      flex-basis: 100%;
      margin: 0;
    }
    .question {
      display: flex;
      flex-wrap: wrap;
      gap: 0 12px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelectionBarComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly workspace = inject(DesignWorkspace);
  protected readonly selection = inject(Selection);
  protected readonly pointing = inject(Pointing);
  private readonly members = inject(MembersView);
  private readonly router = inject(Router);
  private readonly calculation = inject(Calculation);
  /** A section that was given to members which have one from a parameter. */
  protected readonly asked = signal<
    | {
        readonly of: object;
        readonly title: string;
        readonly parameter: Parameter;
        readonly section: string;
        readonly made: readonly OwnSection[];
      }
    | undefined
  >(undefined);
  private readonly kinds = computed(() =>
    ruleKinds.filter(({ of, key }) => of === this.selection.selected().of && key !== 'section'),
  );

  protected readonly choices = computed(() =>
    this.kinds().map(({ title }) => ({ key: title, label: title.toLowerCase() })),
  );

  protected readonly ownSections = computed(() => this.workspace.state()?.design.sections ?? []);

  constructor() {
    effect(() => {
      if (!this.selection.awaitsSection() || !this.selection.proposal()) return;
      this.selection.awaitsSection.set(false);
      focusSoon(this.host.nativeElement, 'app-section-picker [role=combobox]');
    });
  }

  /** The condition of the selection as it is said. */
  protected readonly inWords = computed(() => {
    const { condition = '' } = this.selection.proposal() ?? {};
    const design = this.workspace.state()!.design;
    return conditionWords(condition, this.selection.selected().of, stepTitles(design));
  });

  /** More of the same: all columns, all on this line, all that a rule matches. */
  private readonly alike = standingAnswer('alike', () =>
    this.selection.count() > 0 ? this.selection.selected() : undefined,
  );
  protected readonly wider = computed(() =>
    this.alike.late()
      ? []
      : (this.alike.value() ?? []).map(({ title, ids }) => ({
          key: title,
          label: `${title} (${ids.length})`,
        })),
  );

  protected widen(title: string): void {
    const found = this.alike.value()?.find((one) => one.title === title);
    if (found) this.selection.pick(this.selection.selected().of, found.ids);
  }

  /** The sheet of the member that is selected. */
  protected openSheet(): void {
    this.members.member.set(this.selection.selected().ids[0]);
    void this.router.navigate(['/designs', this.workspace.id, 'members'], {
      queryParamsHandling: 'preserve',
    });
  }

  protected giveKind(title: string): void {
    const kind = this.kinds().find((one) => one.title === title);
    const design = this.workspace.state()?.design;
    if (kind && design) this.give(kind.initial(design));
  }

  /** Another selection is not what was asked of. */
  protected readonly question = computed(() => {
    const asked = this.asked();
    return asked?.of === this.selection.selected() ? asked : undefined;
  });

  /** Asks first where the selected members have their section from a parameter, which others may have too. */
  protected async giveSection(section: string, made: readonly OwnSection[] = []): Promise<void> {
    const design = this.workspace.edited();
    const of = this.selection.selected();
    const { title } = this.selection.proposal() ?? {};
    if (!design || title === undefined) return;
    const parameter = await this.parameterOf(design, of.ids);
    if (of !== this.selection.selected()) return;
    if (parameter) this.asked.set({ of, title, parameter, section, made });
    else this.give({ section }, made);
  }

  protected answer(how: 'parameter' | 'rule'): void {
    const question = this.question();
    this.asked.set(undefined);
    if (!question) return;
    const { section, made, parameter } = question;
    if (how === 'rule') this.give({ section }, made);
    else {
      const own =
        this.workspace.scope() === 'one'
          ? this.workspace.selectedAlternative(this.workspace.state()!.design).id
          : undefined;
      this.workspace.apply((design) => setValue(addSections(design, made), parameter.name, section, own));
    }
  }

  /** The parameter from which all of some members have their section; undefined where they have not. */
  private async parameterOf(design: Design, ids: readonly string[]): Promise<Parameter | undefined> {
    const alternative = this.workspace.selectedAlternative(design).id;
    const left = new Set(ids);
    let name: string | undefined;
    for (const rule of [...design.rules].reverse()) {
      if (rule.section === undefined || rule.off) continue;
      const matched = await this.calculation.ask(alternative, 'matches', { rule: rule.id });
      const here = (matched ?? []).filter((id) => left.delete(id));
      if (here.length === 0) continue;
      if (typeof rule.section === 'string' || (name !== undefined && name !== rule.section.parameter))
        return undefined;
      name = rule.section.parameter;
      if (left.size === 0) break;
    }
    return design.parameters.find((one) => one.name === name);
  }

  protected give(gives: object, made: readonly OwnSection[] = []): void {
    const { condition, title } = this.selection.proposal() ?? {};
    if (condition === undefined) return;
    const selects =
      this.selection.selected().of === 'members' ? { members: condition } : { nodes: condition };
    let rule = '';
    this.workspace.apply((design) => {
      const given = giveByRule(
        addSections(design, made),
        selects,
        gives as Record<string, unknown>,
        title ?? '',
      );
      rule = given.id;
      return given.design;
    });
    this.selection.openRule.set(rule);
  }
}
