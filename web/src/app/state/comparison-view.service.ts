import { Injectable, signal } from '@angular/core';
import type { ParamMap } from '@angular/router';

export const comparisonLeaves = ['figures', 'charts', 'shapes', 'trains'] as const;
export type ComparisonLeaf = (typeof comparisonLeaves)[number];
export const rowOrders = ['design', 'difference'] as const;
export type RowOrder = (typeof rowOrders)[number];

/** Stages that are drawn large at the most, and as long as nothing is chosen. */
export const mostLarge = 6;
const usuallyLarge = 4;

/** What the screen of the comparison shows; it is part of the address. */
@Injectable()
export class ComparisonView {
  /** The screen is open. */
  readonly open = signal(false);
  /** Ids of the alternatives on large stages; undefined until some are chosen. */
  readonly chosenLarge = signal<readonly string[] | undefined>(undefined);
  /** Each stage has the reference under it. */
  readonly overlay = signal(false);
  readonly leaf = signal<ComparisonLeaf>('figures');
  readonly order = signal<RowOrder>('design');
  /** Id of the alternative to which differences are told, where it is not the design's reference. */
  readonly against = signal<string | undefined>(undefined);
  /** Ids of rows that are hidden, and of those that stand on top. */
  readonly hidden = signal<readonly string[]>([]);
  readonly kept = signal<readonly string[]>([]);

  /** Those of the alternatives that stand large, in their order. */
  large(alternatives: readonly string[], reference: string): readonly string[] {
    const chosen = this.chosenLarge()?.filter((id) => alternatives.includes(id)) ?? [];
    if (chosen.length > 0) return alternatives.filter((id) => chosen.includes(id));
    const first = alternatives.slice(0, usuallyLarge);
    return first.includes(reference) ? first : [...first.slice(0, usuallyLarge - 1), reference];
  }

  /** Puts an alternative on a large stage or takes it off; the last one stays, and there are six at the most. */
  setLarge(id: string, on: boolean, now: readonly string[]): void {
    const next = on ? [...now.filter((one) => one !== id), id] : now.filter((one) => one !== id);
    if (next.length > 0 && next.length <= mostLarge) this.chosenLarge.set(next);
  }

  /** Takes up what an address holds. */
  fromAddress(query: ParamMap): void {
    const list = (name: string) =>
      query
        .get(name)
        ?.split(',')
        .filter((one) => one !== '');
    this.chosenLarge.set(list('large'));
    this.overlay.set(query.get('overlay') === '1');
    this.leaf.set(comparisonLeaves.find((name) => name === query.get('leaf')) ?? 'figures');
    this.order.set(rowOrders.find((name) => name === query.get('order')) ?? 'design');
    this.against.set(query.get('against') ?? undefined);
    this.hidden.set(list('hidden') ?? []);
    this.kept.set(list('top') ?? []);
  }

  /** What an address holds of it; null: nothing. */
  inAddress(): Record<string, string | null> {
    const open = this.open();
    const listed = (ids: readonly string[] | undefined) => (open && ids?.length ? ids.join(',') : null);
    return {
      large: listed(this.chosenLarge()),
      overlay: open && this.overlay() ? '1' : null,
      leaf: !open || this.leaf() === 'figures' ? null : this.leaf(),
      order: !open || this.order() === 'design' ? null : this.order(),
      against: open ? (this.against() ?? null) : null,
      hidden: listed(this.hidden()),
      top: listed(this.kept()),
    };
  }
}
