import { Injectable, signal } from '@angular/core';
import type { Standing } from '@hashira/core';
import type { ParamMap } from '@angular/router';

export const memberPanels = ['schedule', 'suggestions', 'failure'] as const;
export type MemberPanel = (typeof memberPanels)[number];
export const memberFilters = ['over', 'near', 'far too strong', 'not covered'] as const satisfies Standing[];

/** What the screen of members shows; it is part of the address. */
@Injectable()
export class MembersView {
  /** The screen is open: stages show utilisation. */
  readonly open = signal(false);
  readonly panel = signal<MemberPanel>('schedule');
  /** Id of the member whose sheet is open. */
  readonly member = signal<string | undefined>(undefined);
  /** That member lies on the bench. */
  readonly bench = signal(false);
  /** The combination whose utilisation is shown; undefined: the worst of all. */
  readonly under = signal<string | undefined>(undefined);
  readonly filter = signal<(typeof memberFilters)[number] | undefined>(undefined);

  /** Takes up what an address holds. */
  fromAddress(query: ParamMap): void {
    const panel = memberPanels.find((name) => name === query.get('panel'));
    if (panel) this.panel.set(panel);
    this.member.set(query.get('member') ?? undefined);
    this.bench.set(query.get('bench') === '1');
    this.under.set(query.get('under') ?? undefined);
    this.filter.set(memberFilters.find((name) => name === query.get('filter')));
  }

  /** What an address holds of it; null: nothing. */
  inAddress(): Record<string, string | null> {
    const open = this.open();
    return {
      panel: !open || this.panel() === 'schedule' ? null : this.panel(),
      member: open ? (this.member() ?? null) : null,
      bench: open && this.bench() ? '1' : null,
      under: open ? (this.under() ?? null) : null,
      filter: open ? (this.filter() ?? null) : null,
    };
  }
}
