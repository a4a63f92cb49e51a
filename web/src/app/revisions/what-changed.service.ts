import { Injectable, computed, inject, signal } from '@angular/core';
import {
  ProblemError,
  buildFrame,
  changesBetween,
  drawingOfChanges,
  type Alternative,
  type BuiltFrame,
  type AlternativeSummary,
  type Design,
  type DrawnScene,
  type FrameChanges,
} from '@hashira/core';
import { firstValueFrom } from 'rxjs';
import { CalculationAside } from '../state/calculation/calculation-aside.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { DesignApi } from '../state/saving/design-api.service';
import { readDesignFile } from '../state/saving/design-file';

/** One of the two states that are compared. */
export type Side =
  | { readonly kind: 'revision'; readonly revision: number }
  | { readonly kind: 'alternative'; readonly id: string }
  | { readonly kind: 'file'; readonly name: string; readonly design: Design };

/** A state with its frame. */
interface Loaded {
  readonly title: string;
  readonly design: Design;
  readonly alternative: Alternative;
  readonly built: BuiltFrame;
}

/** What changed from one state to the other, with what is needed to draw it. */
export interface FoundChanges {
  readonly before: Loaded;
  readonly after: Loaded;
  readonly changes: FrameChanges;
}

/** Two states of the design, and what changed between them: in words, in one drawing, and in figures. */
@Injectable()
export class WhatChanged {
  private readonly api = inject(DesignApi);
  private readonly workspace = inject(DesignWorkspace);
  private readonly aside = inject(CalculationAside);

  readonly before = signal<Side | undefined>(undefined);
  readonly after = signal<Side | undefined>(undefined);
  readonly found = signal<FoundChanges | undefined>(undefined);
  readonly problem = signal('');
  readonly busy = signal(false);
  /** Ids of nodes and members that stand out. */
  readonly highlighted = signal<readonly string[]>([]);
  /** Figures of both, as far as they are worked out. */
  readonly figures = signal<readonly [AlternativeSummary?, AlternativeSummary?]>([]);
  private turn = 0;

  private readonly drawing = computed(() => {
    const found = this.found();
    return found && drawingOfChanges(found.before.built.model, found.after.built.model, found.changes);
  });
  readonly scene = computed((): DrawnScene | undefined => this.drawing()?.(this.highlighted()));

  /** Compares two states; what cannot be compared is told. */
  async compare(before: Side, after: Side): Promise<void> {
    this.before.set(before);
    this.after.set(after);
    const turn = ++this.turn;
    this.busy.set(true);
    this.highlighted.set([]);
    this.figures.set([]);
    try {
      const [a, b] = await Promise.all([this.load(before), this.load(after)]);
      if (turn !== this.turn) return;
      this.found.set({ before: a, after: b, changes: changesBetween(a, b) });
      this.problem.set('');
      void this.workOut(turn, a, b);
    } catch (error) {
      if (turn !== this.turn) return;
      this.found.set(undefined);
      this.problem.set(wordsOf(error));
    } finally {
      if (turn === this.turn) this.busy.set(false);
    }
  }

  /** Takes a file as the state to compare with: before is what is on the screen. */
  async compareWithFile(file: File): Promise<void> {
    try {
      const design = await firstValueFrom(this.api.read(await readDesignFile(file)));
      const { id } = this.workspace.selectedAlternative(this.workspace.state()!.design);
      await this.compare({ kind: 'alternative', id }, { kind: 'file', name: file.name, design });
    } catch (error) {
      this.found.set(undefined);
      this.problem.set(wordsOf(error));
    }
  }

  close(): void {
    this.turn++;
    this.found.set(undefined);
    this.problem.set('');
    this.before.set(undefined);
    this.after.set(undefined);
    this.aside.end();
  }

  private async load(side: Side): Promise<Loaded> {
    const open = this.workspace.state()!.design;
    if (side.kind === 'alternative') {
      const alternative = open.alternatives.find(({ id }) => id === side.id)!;
      return withFrame(alternative.title, open, alternative);
    }
    const design =
      side.kind === 'file'
        ? side.design
        : (await firstValueFrom(this.api.revision(this.workspace.id, side.revision))).document;
    const { id } = this.workspace.selectedAlternative(open);
    const alternative =
      design.alternatives.find((one) => one.id === id) ??
      design.alternatives.find((one) => one.id === design.reference)!;
    const title = side.kind === 'file' ? side.name : `revision ${side.revision}`;
    return withFrame(`${title}, ${alternative.title}`, design, alternative);
  }

  private async workOut(turn: number, ...both: [Loaded, Loaded]): Promise<void> {
    for (const [i, { design, alternative }] of both.entries())
      await this.aside.calculate(design, [alternative.id], (summary) => {
        if (turn !== this.turn) return true;
        this.figures.update(([a, b]) => (i === 0 ? [summary, b] : [a, summary]));
        return false;
      });
  }
}

function withFrame(title: string, design: Design, alternative: Alternative): Loaded {
  const outcome = buildFrame(design, alternative);
  if (outcome.ok) return { title, design, alternative, built: outcome.value };
  throw new ProblemError(
    outcome.problems.map((one) => ({ ...one, message: `${title} cannot be built: ${one.message}` })),
  );
}

function wordsOf(error: unknown): string {
  if (error instanceof ProblemError) return error.problems.map(({ message }) => message).join(' ');
  return error instanceof Error ? error.message : String(error);
}
