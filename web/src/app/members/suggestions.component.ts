import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  lookUpProfile,
  seriesFor,
  setGroupSection,
  significant,
  type GroupState,
  type SuggestedGroup,
} from '@hashira/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { MultiSelect } from 'primeng/multiselect';
import { ProgressBar } from 'primeng/progressbar';
import { SelectButton } from 'primeng/selectbutton';
import { TableModule } from 'primeng/table';
import { LongWork } from '../state/calculation/long-work.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { statusWords } from '../ui/fields/values';
import { SectionChanges } from './section-changes.service';
import { SectionOutlineComponent } from './section-outline.component';
import { readersUnits } from '../ui/units.service';
import { ActionDirective } from '../ui/action.directive';

/** Analyses that a search on the screen may take. */
const most = 2000;

/** The lightest sections with which the alternative passes: what may change, what was found, and taking it over. */
@Component({
  selector: 'app-suggestions',
  imports: [
    ActionDirective,
    Button,
    FormsModule,
    InputText,
    MultiSelect,
    ProgressBar,
    SectionOutlineComponent,
    SelectButton,
    TableModule,
  ],
  templateUrl: './suggestions.component.html',
  styleUrl: './suggestions.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SuggestionsComponent {
  private readonly units = readersUnits();
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly changes = inject(SectionChanges);
  private readonly run = inject(LongWork).run('suggest', inject(DestroyRef));
  protected readonly state = this.run.state;
  protected readonly series = computed(() => [...seriesFor(this.workspace.state()?.design.code.name)]);

  protected readonly left = signal<ReadonlySet<string>>(new Set());
  protected readonly families = signal<string[]>([]);
  protected readonly target = signal('1');
  protected readonly depth = signal('');
  protected readonly problem = signal('');
  /** Version of the design that was searched. */
  private readonly version = signal(-1);
  private readonly searched = signal('');
  /** Groups that were taken over. */
  protected readonly taken = signal<ReadonlySet<string>>(new Set());
  protected readonly scopes = [
    { label: 'all alternatives', value: 'all' as const },
    { label: 'this alternative', value: 'one' as const },
  ];

  protected readonly design = computed(() => this.workspace.state()!.design);
  private readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));
  protected readonly depthUnit = computed(() => this.units().of('length').unit);
  protected readonly groups = computed(() =>
    (this.changes.groups() ?? []).map(({ group, members }) => ({
      ...group,
      count: members.length,
      asked: !this.left().has(group.id),
      now: members[0]?.utilisation,
    })),
  );

  protected readonly answer = computed(() => {
    const { result } = this.state();
    if (!result || this.state().running) return undefined;
    const words = {
      found: `${result.exact ? 'The lightest' : 'A light'} set that passes`,
      none: result.message ?? 'No set passes.',
      stopped: `Stopped after ${result.analyses} of ${result.sets} sets; none that passes was found until then.`,
    }[result.status];
    const { before, after, nearest } = result;
    return {
      result,
      words,
      count: `${result.analyses} of ${result.sets} sets analysed`,
      found: result.status === 'found',
      before: {
        mass: this.units().withUnit(before.mass, 'mass'),
        status: statusWords[before.status],
        used: before.utilisation,
      },
      after: after && {
        mass: this.units().withUnit(after.mass, 'mass'),
        status: statusWords[after.status],
        used: after.utilisation,
        saved: `${after.mass <= before.mass ? '−' : '+'}${this.units().withUnit(Math.abs(after.mass - before.mass), 'mass')}`,
      },
      nearest:
        nearest &&
        `Nearest: ${Object.values(nearest.sections).join(', ')}, ${significant(nearest.ratio)} times what is allowed.`,
      rows: result.groups.map((group) => this.rowOf(group)),
    };
  });

  private rowOf({ id, title, before, after, reason }: SuggestedGroup) {
    const state = (one: GroupState) => ({
      section: one.section,
      shape: lookUpProfile(one.section)?.shape,
      mass: this.units().withUnit(one.mass, 'mass'),
      used: one.utilisation === undefined ? '–' : significant(one.utilisation),
      over: (one.utilisation ?? 0) > 1 + 1e-9,
    });
    const now = this.groups().find((group) => group.id === id);
    return {
      id,
      title,
      before: state(before),
      after: after && state(after),
      same: after?.section === before.section,
      reason: reason ?? '',
      taken: this.taken().has(id),
      now: now?.now === undefined ? '' : significant(now.now),
    };
  }

  constructor() {
    // What was found holds for the frame that was searched, and for what was taken over of it
    effect(() => {
      const version = this.workspace.state()?.version;
      const alternative = this.alternative().id;
      untracked(() => {
        const other = version !== this.version() || alternative !== this.searched();
        if (other && this.state().result && this.taken().size === 0) this.run.clear();
      });
    });
  }

  protected ask(id: string, asked: boolean): void {
    this.left.update((before) => {
      const next = new Set(before);
      if (asked) next.delete(id);
      else next.add(id);
      return next;
    });
  }

  protected begin(): void {
    const target = Number(this.target().replace(',', '.'));
    const depth = this.depth().trim() === '' ? undefined : Number(this.depth().replace(',', '.'));
    if (!(target > 0)) {
      this.problem.set('The utilisation that is allowed is a number above zero, such as 1 or 0.95.');
      return;
    }
    if (depth !== undefined && !(depth > 0)) {
      this.problem.set(`The greatest depth is a number above zero in ${this.depthUnit()}, or is left empty.`);
      return;
    }
    const groups = this.groups().flatMap(({ id, asked }) => (asked ? [id] : []));
    if (groups.length === 0) {
      this.problem.set('Choose at least one group of which the section may change.');
      return;
    }
    this.problem.set('');
    this.taken.set(new Set());
    this.version.set(this.workspace.state()!.version);
    this.searched.set(this.alternative().id);
    this.run.begin(this.design(), this.alternative(), {
      groups,
      target,
      most,
      ...(this.families().length > 0 ? { families: this.families() } : {}),
      ...(depth === undefined ? {} : { maxDepth: depth / this.units().of('length').factor }),
    });
  }

  protected stop(): void {
    this.run.stop();
  }

  /** Takes groups over, as one change of the design. */
  protected accept(ids: readonly string[]): void {
    const result = this.state().result;
    const given = (result?.groups ?? []).filter(({ id, after }) => ids.includes(id) && after);
    const sources = this.changes.groups() ?? [];
    const own = this.workspace.scope() === 'one' ? this.alternative().id : undefined;
    this.taken.update((before) => new Set([...before, ...ids]));
    this.workspace.apply((design) =>
      given.reduce((changed, { id, after }) => {
        const source = sources.find(({ group }) => group.id === id)?.group;
        return source ? setGroupSection(changed, source, after!.section, own) : changed;
      }, design),
    );
  }

  protected acceptAll(): void {
    this.accept((this.state().result?.groups ?? []).map(({ id }) => id));
  }
}
