import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { ActivatedRoute, Router } from '@angular/router';
import type { DiagramKind, DrawnScene, Layer, Slice, ViewName } from '@hashira/core';
import { Calculation } from '../calculation/calculation.service';
import { commonScales, type DeformationScale } from '../stage/scales';
import type { StageScales } from '../stage/types';
import { DesignWorkspace } from './design-workspace.service';
import { Selection } from './selection.service';

const none: never[] = [];
const diagrams: readonly DiagramKind[] = ['none', 'N', 'Vz', 'My', 'Vy', 'Mz', 'T', 'utilisation'];
const views: readonly ViewName[] = ['front', 'side', 'plan', 'oblique'];

/** What all stages of a design show: one load case, one diagram, one scale. It is part of the address. */
@Injectable()
export class ViewState {
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly router = inject(Router);
  private readonly selection = inject(Selection);
  private readonly chosenResult = signal<string | undefined>(undefined);

  readonly diagram = signal<DiagramKind>('My');
  readonly deformed = signal(false);
  readonly loads = signal(true);
  readonly reactions = signal(true);
  /** Tables of results stand under the stage. */
  readonly tables = signal(false);
  readonly deformation = signal<DeformationScale>({ kind: 'automatic' });
  /** The deformed shape swings between both sides. */
  readonly moving = signal(false);
  /** From where a solid frame is looked at. */
  readonly direction = signal<ViewName>('oblique');
  readonly slice = signal<Slice | undefined>(undefined);
  /** A step whose members stand in ink. */
  readonly step = signal<string | undefined>(undefined);
  /** Parts that are lit up. */
  readonly lit = signal<readonly string[]>(none);

  readonly solid = computed(() => this.workspace.state()?.design.space === 'solid');

  /** Load cases and combinations of the selected alternative; the design's own until it is known. */
  private readonly results = computed(
    () => {
      const design = this.workspace.state()?.design;
      const known =
        design &&
        this.workspace.results().alternatives.get(this.workspace.selectedAlternative(design).id)?.summary
          .results;
      if (known && known.length > 0) return known;
      const cases = (design?.loadCases ?? none).map(({ id, title }) => ({
        id,
        title,
        kind: 'case' as const,
      }));
      const combinations = (design?.combinations ?? none).map(({ id, title, state }) => ({
        id,
        title: title ?? state,
        kind: 'combination' as const,
      }));
      return [...cases, ...combinations];
    },
    {
      equal: (a, b) =>
        a === b ||
        (a.length === b.length && a.every((one, i) => one.id === b[i]!.id && one.title === b[i]!.title)),
    },
  );

  /** Load cases and combinations to choose from. */
  readonly resultOptions = computed(() =>
    (['case', 'combination'] as const).map((kind) => ({
      label: kind === 'case' ? 'Load cases' : 'Combinations',
      items: this.results()
        .filter((result) => result.kind === kind)
        .map(({ id, title }) => ({ id, label: `${id}  ${title}` })),
    })),
  );

  /** Id of the load case or combination that is shown; the first combination until one is chosen. */
  readonly resultId = computed(() => {
    const all = this.results();
    const chosen = this.chosenResult();
    if (chosen !== undefined && all.some(({ id }) => id === chosen)) return chosen;
    return (all.find(({ kind }) => kind === 'combination') ?? all[0])?.id ?? '';
  });

  readonly resultTitle = computed(() => {
    const id = this.resultId();
    return `${id} ${this.results().find((one) => one.id === id)?.title ?? ''}`;
  });

  readonly show = computed(() => {
    const slice = this.slice();
    const step = this.step();
    // What is pointed at in a list goes before what is selected
    const lit = this.lit().length > 0 ? this.lit() : this.selection.selected().ids;
    return {
      result: this.resultId(),
      diagram: this.diagram(),
      ...(slice ? { slice } : {}),
      ...(step === undefined ? {} : { step }),
      ...(lit.length > 0 ? { lit } : {}),
    };
  });

  private readonly scenes = computed((): DrawnScene[] =>
    [...this.workspace.results().alternatives.values()].flatMap(({ scene }) => (scene ? [scene] : [])),
  );

  readonly scales = computed((): StageScales =>
    commonScales(this.scenes(), this.diagram(), this.deformation()),
  );

  readonly layers = computed((): readonly Layer[] => [
    'axes',
    'members',
    'supports',
    'hinges',
    'moving',
    ...(this.diagram() === 'none' ? [] : (['diagram'] as const)),
    ...(this.loads() ? (['loads'] as const) : []),
    ...(this.reactions() ? (['reactions'] as const) : []),
    ...(this.deformed() ? (['deformed'] as const) : []),
  ]);

  constructor() {
    this.fromAddress(inject(ActivatedRoute));
    effect(() => this.calculation.setShow(this.show()));
    effect(() => this.toAddress());
  }

  showResult(id: string): void {
    this.chosenResult.set(id);
  }

  /** A link or a reload opens the same view. */
  private fromAddress(route: ActivatedRoute): void {
    const query = route.snapshot.queryParamMap;
    const result = query.get('result');
    if (result) this.chosenResult.set(result);
    const diagram = diagrams.find((kind) => kind === query.get('diagram'));
    if (diagram) this.diagram.set(diagram);
    const view = views.find((name) => name === query.get('view'));
    if (view) this.direction.set(view);
    for (const [name, flag] of [
      ['loads', this.loads],
      ['reactions', this.reactions],
      ['deformed', this.deformed],
      ['tables', this.tables],
    ] as const)
      if (query.has(name)) flag.set(query.get(name) === '1');
    const slice = /^(\w+):(.+)$/.exec(query.get('slice') ?? '');
    if (slice)
      this.slice.set({ tag: slice[1]!, value: /^\d+$/.test(slice[2]!) ? Number(slice[2]) : slice[2]! });
    const alternative = query.get('alternative');
    if (alternative) this.workspace.prefer(alternative);
  }

  private toAddress(): void {
    const state = this.workspace.state();
    if (!state) return;
    const slice = this.slice();
    const flag = (on: boolean, usual: boolean) => (on === usual ? null : on ? '1' : '0');
    const tree = this.router.parseUrl(this.router.url);
    const shown = {
      alternative: this.workspace.selectedAlternative(state.design).id,
      result: this.chosenResult() === undefined ? null : this.resultId(),
      diagram: this.diagram() === 'My' ? null : this.diagram(),
      view: !this.solid() || this.direction() === 'oblique' ? null : this.direction(),
      loads: flag(this.loads(), true),
      reactions: flag(this.reactions(), true),
      deformed: flag(this.deformed(), false),
      tables: flag(this.tables(), false),
      slice: slice ? `${slice.tag}:${slice.value}` : null,
    };
    tree.queryParams = Object.fromEntries(
      Object.entries({ ...tree.queryParams, ...shown }).filter(([, value]) => value !== null),
    );
    const address = this.router.serializeUrl(tree);
    // While a screen is changing, the address is the new screen's
    if (address !== this.router.url && !untracked(this.router.currentNavigation))
      void this.router.navigateByUrl(tree, { replaceUrl: true });
  }
}
