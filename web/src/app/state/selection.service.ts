import { Injectable, computed, inject, signal } from '@angular/core';
import { Calculation } from './calculation/calculation.service';
import { DesignWorkspace } from './design-workspace.service';
import type { Proposal } from '@hashira/core';

/** What is selected on the stage: members, or nodes. */
export interface Selected {
  readonly of: 'members' | 'nodes';
  readonly ids: readonly string[];
}

const nothing: Selected = { of: 'members', ids: [] };

/** The selection, and the condition that selects just that. */
@Injectable()
export class Selection {
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  readonly selected = signal<Selected>(nothing);
  readonly proposal = signal<Proposal | undefined>(undefined);
  readonly count = computed(() => this.selected().ids.length);
  /** The rule whose fields stand open in the rules leaf. */
  readonly openRule = signal<string | undefined>(undefined);
  /** A section is to be given to what is selected, next. */
  readonly awaitsSection = signal(false);
  /** Why a typed condition selects nothing. */
  readonly problem = signal('');

  private get alternative(): string {
    return this.workspace.selectedAlternative(this.workspace.state()!.design).id;
  }

  /** Selects these alone, or with `add` takes them in beside the others; one that is selected already is let go. */
  pick(of: Selected['of'], ids: readonly string[], add = false): void {
    const before = this.selected();
    if (!add || before.of !== of) {
      this.set({ of, ids });
      return;
    }
    const known = new Set(before.ids);
    for (const id of ids)
      if (known.has(id) && ids.length === 1) known.delete(id);
      else known.add(id);
    this.set({ of, ids: [...known] });
  }

  clear(): void {
    this.set(nothing);
  }

  /** Selects what a condition selects. */
  async where(of: Selected['of'], condition: string): Promise<void> {
    const found = await this.calculation.ask(this.alternative, 'selection', { of, condition });
    if (!found) return;
    this.problem.set(found.problem ?? (found.ids.length === 0 ? `Nothing is selected by ${condition}.` : ''));
    if (found.ids.length > 0) this.set({ of, ids: found.ids });
  }

  private set(selected: Selected): void {
    this.selected.set(selected);
    if (selected.ids.length > 0) this.problem.set('');
    this.proposal.set(undefined);
    if (selected.ids.length === 0) return;
    void this.calculation.ask(this.alternative, 'proposal', selected).then((proposal) => {
      if (this.selected() === selected) this.proposal.set(proposal);
    });
  }
}
