import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  besideEachOther,
  type Contributions,
  type DrawnScene,
  type QuantityName,
  type SharesBeside,
} from '@hashira/core';
import { Calculation } from '../../state/calculation/calculation.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import type { StageBand } from '../../stage/types';
import { readersUnits } from '../../ui/units.service';

/** A difference of which it is asked where it comes from. */
export interface Difference {
  readonly figure: string;
  readonly title: string;
  readonly quantity: QuantityName;
  readonly alternative: string;
  readonly reference: string;
  /** One load case or combination alone. */
  readonly result?: string;
}

/** Width of the greatest share's band, and below which none is drawn, px. */
const widest = 22;
const thinnest = 0.5;
/** From this share of the greatest on a band's value is written. */
const written = 0.12;

/** The difference that is looked into, and the shares of both alternatives in its figure. */
@Injectable()
export class Why {
  private readonly units = readersUnits();
  private readonly calculation = inject(Calculation);
  private readonly workspace = inject(DesignWorkspace);

  /** Nothing while no difference is open. */
  readonly of = signal<Difference | undefined>(undefined);
  readonly problem = signal('');
  /** By alternative, the reference and the other. */
  readonly answers = signal<ReadonlyMap<string, Contributions>>(new Map());
  private turn = 0;

  /** What the two are called, the reference first. */
  readonly names = computed((): readonly [string, string] => {
    const { alternatives } = this.workspace.state()!.design;
    const of = this.of();
    const titleOf = (id = '') => alternatives.find((one) => one.id === id)?.title ?? id;
    return [titleOf(of?.reference), titleOf(of?.alternative)];
  });

  readonly found = computed((): SharesBeside | undefined => {
    const of = this.of();
    const [before, after] = [of?.reference, of?.alternative].map((id = '') => this.answers().get(id));
    return before && after ? besideEachOther(before, after, this.names()) : undefined;
  });

  private readonly greatest = computed(() =>
    Math.max(
      0,
      ...[...this.answers().values()].flatMap(({ members = [] }) => members.map(({ sum }) => Math.abs(sum))),
    ),
  );

  /** Ids of the two alternatives while their shares can be drawn on the frame. */
  readonly drawn = computed((): readonly string[] => {
    const of = this.of();
    return of && this.greatest() > 0 ? [of.reference, of.alternative] : [];
  });

  constructor() {
    effect(() => {
      this.workspace.results();
      const of = this.of();
      if (of) void untracked(() => this.ask(of));
    });
  }

  open(of: Difference): void {
    this.problem.set('');
    this.answers.set(new Map());
    this.of.set(of);
  }

  close(): void {
    this.of.set(undefined);
    this.answers.set(new Map());
  }

  /** Bands along the members of an alternative, as wide as their shares; open where a share makes the figure smaller. */
  bandsOn(alternative: string, { members: { ids } }: DrawnScene): StageBand[] {
    const shares = this.answers().get(alternative);
    const greatest = this.greatest();
    if (!shares || greatest === 0) return [];
    const sign = shares.value < 0 ? -1 : 1;
    const numbers = new Map(ids.map((id, m) => [id, m]));
    const { quantity } = this.of()!;
    return (shares.members ?? []).flatMap(({ of, title, sum }): StageBand[] => {
      const width = (widest * Math.abs(sum)) / greatest;
      if (width < thinnest) return [];
      const pieces = of.flatMap((id) => numbers.get(id) ?? []);
      const middle = pieces[Math.floor(pieces.length / 2)];
      const value = this.units().withUnit(sign * sum, quantity);
      return pieces.map((member) => ({
        member,
        width: Math.max(width, 4),
        against: sign * sum < 0,
        title: `${title}: ${value}`,
        ...(member === middle && Math.abs(sum) >= written * greatest ? { text: value } : {}),
      }));
    });
  }

  private async ask({ figure, alternative, reference, result }: Difference): Promise<void> {
    const turn = ++this.turn;
    const asked = { figure, ...(result === undefined ? {} : { result }) };
    const found = await Promise.all(
      [reference, alternative].map(
        async (id) => [id, await this.calculation.ask(id, 'contributions', asked)] as const,
      ),
    );
    // An alternative that is not checked yet answers with its next results
    if (turn !== this.turn || found.some(([, answer]) => answer === undefined)) return;
    const wrong = found.flatMap(([, answer]) => (answer && 'problem' in answer ? [answer.problem] : []));
    this.problem.set(wrong[0] ?? '');
    this.answers.set(
      new Map(
        found.flatMap(([id, answer]) =>
          answer && 'contributions' in answer ? [[id, answer.contributions] as const] : [],
        ),
      ),
    );
  }
}
