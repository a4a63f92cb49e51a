import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  giveByRule,
  lookUpProfile,
  significant,
  type CheckItem,
  type LengthTaken,
  type NeighbourSection,
  type Units,
} from '@hashira/core';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { Calculation } from '../state/calculation/calculation.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { MembersView } from '../state/members-view.service';
import { Selection } from '../state/selection.service';
import { standingAnswer } from '../state/answers/standing-answer';
import { SectionPickerComponent } from '../ui/sections/section-picker.component';
import { StepsComponent } from '../ui/steps/steps.component';
import { CurvesComponent } from './curves.component';
import { SectionChanges } from './section-changes.service';
import { SectionOutlineComponent } from './section-outline.component';
import { conditionWords } from './words';
import { readersUnits } from '../ui/units.service';
import { ActionDirective } from '../ui/action.directive';

/** Places at which a sheet's curves are known. */
const stations = 41;

/** A member's sheet: its section, what holds it, forces and utilisation along it, every condition, and its neighbours in the series. */
@Component({
  selector: 'app-member-sheet',
  imports: [
    ActionDirective,
    CurvesComponent,
    FormsModule,
    SectionOutlineComponent,
    SectionPickerComponent,
    Select,
    SelectButton,
    StepsComponent,
  ],
  templateUrl: './member-sheet.component.html',
  styleUrl: './member-sheet.component.css',
  host: { '(keydown.escape)': 'closed.emit()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MemberSheetComponent {
  private readonly units = readersUnits();
  protected readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly selection = inject(Selection);
  protected readonly changes = inject(SectionChanges);
  protected readonly members = inject(MembersView);

  /** Id of the member, or of a piece of it. */
  readonly member = input.required<string>();
  readonly closed = output();

  /** The combination that is read along it; empty: the envelope. */
  protected readonly combination = signal('');
  /** Whom another section is given to. */
  protected readonly whom = signal<'member' | 'group'>('group');
  protected readonly whoms = computed(() => [
    { label: 'this member', value: 'member' as const },
    { label: this.sheet()?.group?.title ?? 'its group', value: 'group' as const },
  ]);
  protected readonly scopes = [
    { label: 'all alternatives', value: 'all' as const },
    { label: 'this alternative', value: 'one' as const },
  ];

  private readonly answer = standingAnswer(
    'memberSheet',
    () => ({ member: this.member(), stations, steps: true }),
    'checks',
  );
  protected readonly late = this.answer.late;
  protected readonly sheet = computed(() => {
    const answer = this.answer.value();
    return answer && 'sheet' in answer ? answer.sheet : undefined;
  });
  protected readonly problem = computed(() => {
    const answer = this.answer.value();
    return answer && 'problem' in answer ? answer.problem : '';
  });

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly code = computed(() => this.design().code.name ?? 'EN1993');
  protected readonly combinations = computed(() => [
    { label: 'all combinations, the envelope', value: '' },
    ...(this.sheet()?.curves ?? [])
      .filter(({ situation }) => situation === undefined)
      .map(({ combination, state }) => ({ label: `${combination}, ${state}`, value: combination })),
  ]);
  protected readonly verdict = computed(() => {
    const sheet = this.sheet();
    if (!sheet) return undefined;
    const { status, utilisation, member } = sheet;
    return {
      text:
        status === 'not covered' || utilisation === undefined
          ? 'not covered'
          : `${this.changes.changeOf(member, utilisation)}${significant(utilisation)}${status === 'fail' ? ' over' : ''}`,
      loud: status !== 'pass',
    };
  });
  protected readonly about = computed(() => {
    const sheet = this.sheet();
    return sheet
      ? `${sheet.section} in ${sheet.material}, ${this.units().withUnit(sheet.length, 'length')} long`
      : '';
  });
  protected readonly lengths = computed(() => {
    const lengths = this.sheet()?.lengths;
    if (!lengths) return [];
    const row = (name: string, { value, from }: LengthTaken) => ({
      name,
      text: value === 0 ? 'held throughout' : this.units().withUnit(value, 'length'),
      from,
    });
    return [
      row('Lcr,y', lengths.Lcy),
      row('Lcr,z', lengths.Lcz),
      row('LT', lengths.LT),
      row('held sideways every', lengths.LLT),
    ];
  });
  protected readonly conditions = computed(() =>
    (this.sheet()?.conditions ?? []).map((item) => ({
      key: `${item.clause} ${item.axis ?? ''} ${item.title}`,
      item,
      words: conditionWords(item),
      text: item.utilisation === undefined ? 'not covered' : significant(item.utilisation),
      loud: item.status !== 'pass',
      width: 100 * Math.min(1, item.utilisation ?? 0),
      where: whereOf(item, this.units()),
    })),
  );

  /** Nodes between its pieces, and whether each holds it sideways now. */
  protected readonly holds = computed(() => {
    const sheet = this.sheet();
    const held = new Set(
      (sheet?.restraints ?? []).filter(({ from }) => from.startsWith('rule')).map(({ node }) => node),
    );
    return (sheet?.nodes ?? []).map((one) => ({
      ...one,
      held: held.has(one.node),
      text: `${one.title}, ${this.units().withUnit(one.x, 'length')}`,
    }));
  });

  protected readonly neighbours = signal<readonly NeighbourSection[] | undefined>(undefined);
  protected readonly neighbourRows = computed(() =>
    (this.neighbours() ?? []).map((one) => ({
      ...one,
      shape: lookUpProfile(one.section)?.shape,
      massText: this.units().withUnit(one.mass, 'mass'),
      text:
        one.status === 'failed'
          ? (one.problem?.message ?? 'cannot be calculated')
          : one.utilisation === undefined
            ? 'not covered'
            : `${significant(one.utilisation)}${one.status === 'fail' ? ' over' : ''}`,
      loud: one.status !== 'pass',
    })),
  );

  constructor() {
    effect(() => {
      const sheet = this.sheet();
      if (!sheet || this.late()) return;
      const { alternative, member } = sheet;
      untracked(() => this.neighbours.set(undefined));
      void this.calculation.ask(alternative, 'neighbours', { member }).then((found) => {
        if (this.sheet() === sheet) this.neighbours.set(found);
      });
    });
  }

  /** Gives another section to its group, or to the member alone by a rule. */
  protected async give(section: string): Promise<void> {
    const sheet = this.sheet();
    if (!sheet) return;
    if (this.whom() === 'group' && sheet.group) {
      this.changes.give(sheet.group, section);
      return;
    }
    const condition = await this.conditionOf('members', sheet.of);
    if (condition === undefined) return;
    this.workspace.apply(
      (design) => giveByRule(design, { members: condition }, { section }, sheet.title).design,
    );
  }

  /** Holds the member sideways at a node, or no longer: by a rule on this member. */
  protected async hold(node: string, held: boolean): Promise<void> {
    const sheet = this.sheet();
    if (!sheet) return;
    const nodes = this.holds()
      .filter((one) => (one.node === node ? held : one.held))
      .map((one) => one.node);
    const members = await this.conditionOf('members', sheet.of);
    const where = nodes.length === 0 ? 'false' : await this.conditionOf('nodes', nodes);
    if (members === undefined || where === undefined) return;
    this.workspace.apply(
      (design) => giveByRule(design, { members }, { restraints: where }, sheet.title).design,
    );
  }

  /** The condition of a rule that selects just these. */
  private async conditionOf(of: 'members' | 'nodes', ids: readonly string[]): Promise<string | undefined> {
    const alternative = this.workspace.selectedAlternative(this.design()).id;
    const proposal = await this.calculation.ask(alternative, 'proposal', { of, ids });
    if (proposal?.condition === undefined)
      this.selection.problem.set(
        'No condition of a rule selects just this; give it by a rule in the design.',
      );
    return proposal?.condition;
  }
}

/** Under what and where a condition is worst. */
const whereOf = ({ combination, situation, x, clause, reason }: CheckItem, units: Units): string =>
  reason ??
  [[combination, situation].filter(Boolean).join(', '), `x = ${units.withUnit(x, 'length')}`, clause].join(
    '; ',
  );
