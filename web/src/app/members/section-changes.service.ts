import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { setGroupSection, significant, type ScheduledGroup, type SectionSource } from '@hashira/core';
import { DesignWorkspace } from '../state/design-workspace.service';
import { standingAnswer } from '../state/answers/standing-answer';

/** What the schedule said of a state of the design. */
interface Told {
  readonly version: number;
  readonly alternative: string;
  readonly utilisations: ReadonlyMap<string, number | undefined>;
  readonly alphaCr: number | undefined;
}

/** The schedule of the members, and what the last change of the design did to it. */
@Injectable()
export class SectionChanges {
  private readonly workspace = inject(DesignWorkspace);
  private readonly answer = standingAnswer('schedule', () => ({ of: 'members' as const }), 'checks');
  readonly groups = computed((): readonly ScheduledGroup[] | undefined => this.answer.value());
  readonly late = this.answer.late;
  private readonly now = signal<Told | undefined>(undefined);
  private readonly before = signal<Told | undefined>(undefined);

  constructor() {
    effect(() => {
      const groups = this.groups();
      const state = this.workspace.state();
      if (!groups || !state || this.late()) return;
      const alternative = this.workspace.selectedAlternative(state.design).id;
      const { summary } = this.workspace.results().alternatives.get(alternative) ?? {};
      const told: Told = {
        version: state.version,
        alternative,
        utilisations: new Map(
          groups.flatMap(({ members }) => members.map((one) => [one.member, one.utilisation] as const)),
        ),
        alphaCr: summary?.alphaCr,
      };
      untracked(() => {
        const last = this.now();
        if (last && last.version !== told.version)
          this.before.set(last.alternative === alternative ? last : undefined);
        this.now.set(told);
      });
    });
  }

  /** A member's utilisation before the last change, where it was another: "0.94 → ". */
  changeOf(member: string, utilisation: number | undefined): string {
    const last = this.before();
    const state = this.workspace.state();
    if (!last || !state || last.alternative !== this.workspace.selectedAlternative(state.design).id)
      return '';
    const old = last.utilisations.get(member);
    if (old === undefined || utilisation === undefined || Math.abs(old - utilisation) < 5e-4) return '';
    return `${significant(old)} → `;
  }

  /** αcr before the last change, where it was another. */
  readonly alphaBefore = computed(() => {
    const [old, now] = [this.before()?.alphaCr, this.now()?.alphaCr];
    return old === undefined || now === undefined || Math.abs(old - now) < 5e-3 * now
      ? ''
      : `${significant(old)} → `;
  });

  /** Gives a group another section: for all alternatives, or for the one that is looked at. */
  give(group: SectionSource, section: string): void {
    const state = this.workspace.state();
    if (!state) return;
    const own =
      this.workspace.scope() === 'one' ? this.workspace.selectedAlternative(state.design).id : undefined;
    this.workspace.apply((design) => setGroupSection(design, group, section, own));
  }
}
