import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { setAnalysis, significant, type ScheduledGroup, type ScheduledMember } from '@hashira/core';
import { SelectButton } from 'primeng/selectbutton';
import { DesignWorkspace } from '../state/design-workspace.service';
import { memberFilters, MembersView } from '../state/members-view.service';
import { ViewState } from '../state/view-state.service';
import { SectionPickerComponent } from '../ui/sections/section-picker.component';
import { beyondText, figureText, isLoud, limitText, statusWords } from '../ui/fields/values';
import { SectionChanges } from './section-changes.service';
import { SectionOutlineComponent } from './section-outline.component';
import { governsWords } from './words';
import { readersUnits } from '../ui/units.service';
import { ActionDirective } from '../ui/action.directive';

/** Utilisations up to this are drawn on a strip of ticks. */
const most = 1.25;

/** A member's row. */
interface MemberRow {
  readonly member: ScheduledMember;
  readonly text: string;
  readonly change: string;
  readonly width: number;
  readonly why: string;
}

/** The members by what gives them their section, with limits beside strength; it can be sorted, filtered and opened. */
@Component({
  selector: 'app-schedule',
  imports: [ActionDirective, FormsModule, SectionOutlineComponent, SectionPickerComponent, SelectButton],
  templateUrl: './schedule.component.html',
  styleUrl: './schedule.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScheduleComponent {
  private readonly units = readersUnits();
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  protected readonly members = inject(MembersView);
  protected readonly changes = inject(SectionChanges);

  protected readonly order = signal<'design' | 'worst'>('design');
  protected readonly orders = [
    { label: 'in the design’s order', value: 'design' as const },
    { label: 'worst first', value: 'worst' as const },
  ];
  protected readonly scopes = [
    { label: 'all alternatives', value: 'all' as const },
    { label: 'this alternative', value: 'one' as const },
  ];
  private readonly opened = signal<ReadonlySet<string>>(new Set());

  protected readonly design = computed(() => this.workspace.state()!.design);
  private readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));
  protected readonly summary = computed(
    () => this.workspace.results().alternatives.get(this.alternative().id)?.summary,
  );
  protected readonly verdict = computed(() => {
    const summary = this.summary();
    if (!summary || summary.problems.length > 0) return undefined;
    return {
      words: statusWords[summary.status],
      loud: isLoud(summary.status),
      quiet: summary.status === 'pending' || summary.status === 'nothing to check',
      alpha: summary.alphaCr === undefined ? '' : significant(summary.alphaCr),
      under: summary.alphaCrOf ?? '',
      order: summary.order === 2 ? 'second order' : 'first order',
      needed: summary.secondOrderNeeded,
    };
  });

  private readonly all = computed(() => this.changes.groups()?.flatMap((group) => group.members) ?? []);
  protected readonly filters = computed(() => [
    { label: `all ${this.all().length}`, value: '' },
    ...memberFilters.map((standing) => ({
      label: `${standing} ${this.all().filter((one) => one.standing === standing).length}`,
      value: standing,
    })),
  ]);

  protected readonly groups = computed(() => {
    const filter = this.members.filter();
    const rows = (this.changes.groups() ?? []).flatMap((group) => {
      const shown = group.members.filter(({ standing }) => filter === undefined || standing === filter);
      return shown.length === 0 && filter !== undefined ? [] : [this.groupRow(group, shown)];
    });
    return this.order() === 'design' ? rows : [...rows].sort((a, b) => b.weight - a.weight);
  });

  private groupRow(group: ScheduledGroup, shown: readonly ScheduledMember[]) {
    const [worst] = shown;
    const filtered = this.members.filter() !== undefined;
    return {
      key: `${group.group.kind} ${group.group.id}`,
      group: group.group,
      shape: group.shape,
      mass: this.units().withUnit(group.mass, 'mass'),
      worst: worst && this.memberRow(worst),
      weight: worst ? (worst.standing === 'over' ? 2 : 0) + (worst.utilisation ?? 1.5) : 0,
      count: group.members.length,
      ticks: group.members.map((member) => ({
        x: tickAt(member.utilisation ?? 0),
        over: member.standing === 'over',
        uncovered: member.standing === 'not covered',
      })),
      open: filtered || this.opened().has(group.group.id),
      rows: shown.map((member) => this.memberRow(member)),
    };
  }

  private memberRow(member: ScheduledMember): MemberRow {
    const { utilisation, standing } = member;
    return {
      member,
      text:
        utilisation === undefined || standing === 'not covered'
          ? 'not covered'
          : `${significant(utilisation)}${standing === 'over' ? ' over' : ''}`,
      change: this.changes.changeOf(member.member, utilisation),
      width: 100 * Math.min(1, utilisation ?? 0),
      why: governsWords(member),
    };
  }

  /** Figures that have a limit. */
  protected readonly limits = computed(() =>
    (this.summary()?.figures ?? [])
      .filter(({ limit }) => limit !== undefined)
      .map((figure) => {
        const { value, limit = 1, limitIs } = figure;
        const size = Math.abs(value ?? 0);
        const ratio = value === undefined ? 0 : limitIs === 'most' ? size / limit : limit / size;
        return {
          id: figure.id,
          title: figure.title,
          text: `${figureText(figure, this.units())}${beyondText(figure)}`,
          limit: limitText(figure, this.units()),
          place: figure.place,
          over: figure.status === 'fail',
          known: value !== undefined,
          width: 100 * Math.min(1, ratio),
        };
      }),
  );

  protected readonly limitAt = tickAt(1);

  protected toggle(id: string): void {
    this.opened.update((open) => {
      const next = new Set(open);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  protected setFilter(value: string): void {
    this.members.filter.set(memberFilters.find((one) => one === value));
  }

  protected light(ids: readonly string[]): void {
    this.view.highlighted.set(ids);
  }

  protected openSheet({ member, of }: ScheduledMember): void {
    this.light([]);
    this.members.member.set(of.length > 1 ? member : of[0]);
  }

  protected useSecondOrder(): void {
    this.workspace.apply((design) => setAnalysis(design, { order: 2, imperfections: true }));
  }
}

/** Where a utilisation stands on a strip of 120. */
function tickAt(utilisation: number): number {
  return 2 + (116 * Math.min(most, utilisation)) / most;
}
