import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import {
  type ForceName,
  type InfluenceReading,
  type NamedTrain,
  type StandingForce,
  type TrainInfluence,
} from '@hashira/core';
import { answersOfAll } from '../../state/answers/answers-of-all';
import { Calculation } from '../../state/calculation/calculation.service';
import { ComparisonView } from '../../state/comparison-view.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import type { StageArrow } from '../../stage/types';
import { readersUnits } from '../../ui/units.service';

/** Which train of the design, what is read, and where the train stands on the stages. */
@Injectable()
export class Trains {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly comparison = inject(ComparisonView);

  private readonly chosenTrain = signal<string | undefined>(undefined);
  /** The train that is looked at until another is chosen. */
  private readonly firstTrain = signal<NamedTrain | undefined>(undefined);
  private readonly chosenReading = signal<InfluenceReading | undefined>(undefined);
  /** m along the line; undefined: where it is worst in each alternative. */
  readonly at = signal<number | undefined>(undefined);

  readonly open = computed(() => this.comparison.leaf() === 'trains');
  /** Whether some alternative can have a train: a rule or an option gives one. */
  readonly exist = computed(() => {
    const { rules, choices } = this.workspace.state()!.design;
    const patches = choices.flatMap(({ options }) => options.flatMap(({ changes }) => changes.rules ?? []));
    return [...rules, ...patches].some((rule) => 'train' in rule);
  });

  /** The moment in the middle of the train's line is read until something else is chosen. */
  readonly reading = computed((): InfluenceReading => this.chosenReading() ?? { along: 0.5, force: 'My' });

  private readonly answers = answersOfAll('influence', () => {
    if (!this.open()) return undefined;
    const [train, reading] = [this.train(), this.reading()];
    return { reading, ...(train === undefined ? {} : { train }) };
  });

  /** Trains of all alternatives. */
  readonly trains = computed(() => {
    const all = [...this.answers().values()].flatMap(({ trains }) => trains);
    return [...new Map(all.map((one) => [one.id, one])).values()];
  });
  readonly train = computed(() => this.chosenTrain() ?? this.firstTrain()?.id);

  /** By alternative, of those that have the train. */
  readonly influences = computed(
    (): ReadonlyMap<string, TrainInfluence> =>
      new Map(
        [...this.answers()].flatMap(([id, { influence }]) => (influence ? [[id, influence] as const] : [])),
      ),
  );
  /** Why the train brings nothing to the reading, by alternative. */
  readonly problems = computed(
    (): ReadonlyMap<string, string> =>
      new Map(
        [...this.answers()].flatMap(([id, { problem }]) =>
          problem === undefined ? [] : [[id, problem] as const],
        ),
      ),
  );

  /** Forces of the train where it stands, by alternative. */
  private readonly standing = signal<ReadonlyMap<string, readonly StandingForce[]>>(new Map());
  private turn = 0;

  constructor() {
    effect(() => {
      const [first] = this.trains();
      untracked(() => this.firstTrain.set(first));
    });
    effect(() => {
      const [train, at, influences] = [this.train(), this.at(), this.influences()];
      if (train !== undefined) void untracked(() => this.place(train, at, influences));
    });
  }

  choose(train: string): void {
    this.chosenTrain.set(train);
  }

  read(reading: InfluenceReading): void {
    this.chosenReading.set(reading);
  }

  /** Reads a force at a place of a member that was pressed. */
  readAt(member: string, fraction: number, force: ForceName): void {
    this.read({ member, fraction, force });
  }

  /** Where the first force stands in an alternative. */
  placeIn(alternative: string): number | undefined {
    const influence = this.influences().get(alternative);
    if (!influence) return undefined;
    const { most, least } = influence;
    return this.at() ?? (Math.abs(least.value) > Math.abs(most.value) ? least : most).at;
  }

  /** Arrows of the train on an alternative's stage. */
  arrowsOn(alternative: string): StageArrow[] {
    if (!this.open()) return [];
    return (this.standing().get(alternative) ?? []).map(({ force, point, direction }) => ({
      at: point,
      direction,
      text: this.units().withUnit(force, 'force'),
    }));
  }

  private async place(
    train: string,
    _: number | undefined,
    influences: ReadonlyMap<string, TrainInfluence>,
  ): Promise<void> {
    const turn = ++this.turn;
    const found = await Promise.all(
      [...influences.keys()].map(
        async (id) =>
          [id, (await this.calculation.ask(id, 'trainAt', { train, at: this.placeIn(id)! })) ?? []] as const,
      ),
    );
    if (turn === this.turn) this.standing.set(new Map(found));
  }
}
