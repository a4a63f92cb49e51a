import { Injectable, computed, effect, inject, signal } from '@angular/core';
import { ActivatedRoute, Router } from '@angular/router';
import {
  forceNames,
  forceQuantity,
  isShape,
  shownKinds,
  groupByNames,
  type DiagramKind,
  type DrawnScene,
  type Layer,
  type QuantityName,
  type ShownResult,
  type ChosenSlice,
  type GroupBy,
  type ViewName,
} from '@hashira/core';
import { swingAt, swingSteps } from '../stage/view/swing';
import { Calculation } from './calculation/calculation.service';
import { commonScales, type DeformationScale, type ReadersScale } from '../stage/view/scales';
import { ReadersUnits } from '../ui/units.service';
import type { StageScales } from '../stage/types';
import { ComparisonView } from './comparison-view.service';
import { DesignWorkspace } from './design-workspace.service';
import { MembersView } from './members-view.service';
import { Selection } from './selection.service';

const none: never[] = [];
const diagrams: readonly DiagramKind[] = ['none', 'N', 'Vz', 'My', 'Vy', 'Mz', 'T', 'stress', 'utilisation'];
/** Layers of a state that are drawn when they are wished for. */
const layersByWish: readonly Layer[] = ['loads', 'reactions', 'deformed'];
/** The envelope of all combinations of strength. */
const worstOfAll = 'envelope.strength';
/** What is drawn beside members' utilisation. */
const utilisationLayers: readonly Layer[] = ['axes', 'members', 'supports', 'hinges', 'diagram'];
const views: readonly ViewName[] = ['front', 'side', 'plan', 'oblique'];

/** What all stages of a design show: one load case, one diagram, one scale. It is part of the address. */
@Injectable()
export class ViewState {
  private readonly workspace = inject(DesignWorkspace);
  private readonly calculation = inject(Calculation);
  private readonly router = inject(Router);
  private readonly selection = inject(Selection);
  private readonly units = inject(ReadersUnits);
  private readonly members = inject(MembersView);
  private readonly comparison = inject(ComparisonView);
  private readonly chosenResult = signal<string | undefined>(undefined);

  readonly diagram = signal<DiagramKind>('My');
  readonly deformed = signal(false);
  private readonly chosenLoads = signal<boolean | undefined>(undefined);
  /** Loads are drawn: of plane frames unless they are taken off, of solid ones where they are asked for. */
  readonly loads = computed(() => this.chosenLoads() ?? !this.solid());
  readonly reactions = signal(true);
  /** Tables of results stand under the stage. */
  readonly tables = signal(false);
  readonly deformation = signal<DeformationScale>({ kind: 'automatic' });
  /** The deformed shape swings between both sides. */
  readonly moving = signal(false);
  /** Share of a swing at which it is held. */
  readonly held = signal<number | undefined>(undefined);
  /** Outlines of the sections stand along the members, true to scale. */
  readonly sections = signal(false);
  /** By what members are grouped, where no result is drawn. */
  readonly groupBy = signal<GroupBy | undefined>(undefined);
  /** From where a solid frame is looked at. */
  readonly direction = signal<ViewName>('oblique');
  /** What stands in ink of a solid frame: the slice where the drawn force is greatest, another one, or the whole. */
  readonly slice = signal<ChosenSlice | 'whole'>('governing');
  /** A step whose members stand in ink. */
  readonly step = signal<string | undefined>(undefined);
  /** What is shown of single alternatives instead of the chosen result, by their ids. */
  readonly resultOf = signal<Readonly<Record<string, string>>>({});
  /** Parts that are lit up. */
  readonly highlighted = signal<readonly string[]>(none);

  readonly solid = computed(() => this.workspace.state()?.design.space === 'solid');

  /** What can be shown of the selected alternative; the design's own cases and combinations until it is known. */
  private readonly results = computed(
    (): readonly ShownResult[] => {
      const design = this.workspace.state()?.design;
      const known =
        design &&
        this.workspace.results().alternatives.get(this.workspace.selectedAlternative(design).id)?.summary
          .results;
      if (known && known.length > 0) return withMoreModes(known, this.chosenResult());
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

  /** What can be shown, by kind. */
  readonly resultOptions = computed(() =>
    shownKinds
      .map(({ kind, group }) => ({
        label: group,
        items: this.results()
          .filter((result) => result.kind === kind)
          .map((result) => ({ id: result.id, label: wordsOf(result) })),
      }))
      .filter(({ items }) => items.length > 0),
  );

  private readonly shown = computed(() => {
    const all = this.results();
    const chosen = this.chosenResult();
    return all.find(({ id }) => id === chosen) ?? all.find(({ kind }) => kind === 'combination') ?? all[0];
  });

  /** Id of what is shown; the first combination until something is chosen. */
  readonly resultId = computed(() => this.shown()?.id ?? '');

  readonly resultTitle = computed(() => {
    const shown = this.shown();
    return shown ? wordsOf(shown) : '';
  });

  /** A shape is shown: it has displacements and no forces. */
  readonly shape = computed(() => isShape(this.resultId()));

  /** One load case or combination is shown: nothing of several, and no shape. */
  readonly single = computed(() => isSingle(this.shown()));

  /** Displacements are drawn, to a scale of their own. */
  readonly scaled = computed(() => this.shape() || (this.deformed() && this.single()));

  /** The moving picture runs. */
  readonly swings = computed(() => this.moving() && this.scaled());

  /** What the ordinates of the diagram are, where one is drawn. */
  readonly diagramQuantity = computed((): QuantityName | undefined => {
    const force = forceNames.find((name) => name === this.diagram());
    return force && !this.shape() ? forceQuantity(force) : undefined;
  });

  readonly show = computed(() => {
    const slice = this.askedSlice();
    const ofMembers = this.members.open();
    const step = this.step();
    const units = this.units.system();
    const groupBy = !ofMembers && this.diagram() === 'none' && !this.shape() ? this.groupBy() : undefined;
    const layers = this.layers();
    const without = layersByWish.filter((layer) => !layers.includes(layer));
    // What is pointed at in a list goes before what is selected
    const highlighted = this.highlighted().length > 0 ? this.highlighted() : this.selection.selected().ids;
    return {
      result: ofMembers ? (this.members.under() ?? worstOfAll) : this.resultId(),
      diagram: ofMembers ? ('utilisation' as const) : this.diagram(),
      ...(slice ? { slice } : {}),
      ...(step === undefined ? {} : { step }),
      ...(highlighted.length > 0 ? { highlighted } : {}),
      ...(this.sections() ? { sections: true } : {}),
      ...(without.length > 0 ? { without } : {}),
      ...(groupBy ? { groupBy } : {}),
      ...(units === 'metric' ? {} : { units }),
      ...(Object.keys(this.resultOf()).length > 0 ? { resultOf: this.resultOf() } : {}),
    };
  });

  /** Frames that are compared show the same slice: that of the alternative that is looked at. */
  private readonly askedSlice = computed((): ChosenSlice | undefined => {
    const slice = this.slice();
    const design = this.workspace.state()?.design;
    if (slice === 'whole' || !design) return undefined;
    if (slice !== 'governing') return slice;
    if (!this.solid()) return undefined;
    if (!this.comparison.open()) return slice;
    const { id } = this.workspace.selectedAlternative(design);
    return this.workspace.results().alternatives.get(id)?.scene?.slice ?? slice;
  });

  private readonly scenes = computed((): DrawnScene[] =>
    [...this.workspace.results().alternatives.values()].flatMap(({ scene }) => (scene ? [scene] : [])),
  );

  readonly scales = computed((): StageScales =>
    commonScales(this.scenes(), this.diagram(), this.deformation(), this.readersScale()),
  );

  /** The scale in the units that are shown: they change with the choice of the reader. */
  private readonly readersScale = computed((): ReadersScale => {
    const units = this.units.now();
    const along = units.of('length').factor;
    const diagram = this.diagramQuantity();
    return {
      diagram: diagram ? units.of(diagram).factor / along : 1,
      load: units.of('lineLoad').factor / along,
    };
  });

  readonly layers = computed((): readonly Layer[] =>
    this.members.open() ? utilisationLayers : this.chosenLayers(),
  );

  private readonly chosenLayers = computed((): readonly Layer[] => [
    'axes',
    'members',
    'supports',
    'hinges',
    'moving',
    ...(this.sections() ? (['sections'] as const) : []),
    ...(this.diagram() === 'none' ? [] : (['diagram'] as const)),
    ...(this.loads() ? (['loads'] as const) : []),
    // Utilisations are of the members, under whatever loads are worst
    ...(this.reactions() && this.diagram() !== 'utilisation' ? (['reactions'] as const) : []),
    ...(this.deformed() && this.single() ? (['deformed'] as const) : []),
  ]);

  constructor() {
    this.fromAddress(inject(ActivatedRoute));
    effect(() => this.calculation.setShow(this.show()));
    effect(() => this.toAddress());
  }

  /** Holds the moving picture where it is, or lets it go on. */
  hold(on: boolean): void {
    this.held.set(on ? swingAt(performance.now()) : undefined);
  }

  /** Moves a picture that is held on or back. */
  stepSwing(by: 1 | -1): void {
    this.held.update((fraction = 0) => (fraction + 1 + by / swingSteps) % 1);
  }

  showLoads(on: boolean): void {
    this.chosenLoads.set(on);
  }

  showResult(id: string): void {
    this.chosenResult.set(id);
  }

  /** A link or a reload opens the same view. */
  private fromAddress(route: ActivatedRoute): void {
    const query = route.snapshot.queryParamMap;
    this.members.fromAddress(query);
    this.comparison.fromAddress(query);
    const result = query.get('result');
    if (result) this.chosenResult.set(result);
    const diagram = diagrams.find((kind) => kind === query.get('diagram'));
    if (diagram) this.diagram.set(diagram);
    const view = views.find((name) => name === query.get('view'));
    if (view) this.direction.set(view);
    for (const [name, flag] of [
      ['reactions', this.reactions],
      ['deformed', this.deformed],
      ['tables', this.tables],
      ['sections', this.sections],
    ] as const)
      if (query.has(name)) flag.set(query.get(name) === '1');
    if (query.has('loads')) this.chosenLoads.set(query.get('loads') === '1');
    const groupBy = groupByNames.find((name) => name === query.get('apart'));
    if (groupBy) this.groupBy.set(groupBy);
    this.slice.set(sliceOfText(query.get('slice') ?? ''));
    const alternative = query.get('alternative');
    if (alternative) this.workspace.prefer(alternative);
  }

  private toAddress(): void {
    const state = this.workspace.state();
    if (!state) return;
    const flag = (on: boolean, usual: boolean) => (on === usual ? null : on ? '1' : '0');
    const tree = this.router.parseUrl(this.router.url);
    const shown = {
      alternative: this.workspace.selectedAlternative(state.design).id,
      result: this.chosenResult() === undefined ? null : this.resultId(),
      diagram: this.diagram() === 'My' ? null : this.diagram(),
      view: !this.solid() || this.direction() === 'oblique' ? null : this.direction(),
      loads: flag(this.loads(), !this.solid()),
      reactions: flag(this.reactions(), true),
      deformed: flag(this.deformed(), false),
      tables: flag(this.tables(), false),
      sections: flag(this.sections(), false),
      apart: this.groupBy() ?? null,
      slice: this.slice() === 'governing' ? null : sliceText(this.slice()),
      ...this.members.inAddress(),
      ...this.comparison.inAddress(),
    };
    tree.queryParams = Object.fromEntries(
      Object.entries({ ...tree.queryParams, ...shown }).filter(([, value]) => value !== null),
    );
    const address = this.router.serializeUrl(tree);
    // While a screen is changing, the address is the new screen's; it is looked at again when that is there
    if (!this.router.currentNavigation() && address !== this.router.url)
      void this.router.navigateByUrl(tree, { replaceUrl: true });
  }
}

/** A slice as addresses and lists hold it: "row:3", "whole", or nothing for the governing one. */
export const sliceText = (slice: ChosenSlice | 'whole'): string =>
  slice === 'governing' ? '' : slice === 'whole' ? slice : `${slice.tag}:${slice.value}`;

export function sliceOfText(text: string): ChosenSlice | 'whole' {
  if (text === 'whole') return text;
  const [, tag, value] = /^(\w+):(.+)$/.exec(text) ?? [];
  if (tag === undefined || value === undefined) return 'governing';
  return { tag, value: /^\d+$/.test(value) ? Number(value) : value };
}

/** People name load cases and combinations by their ids, too. */
const wordsOf = (result: ShownResult): string =>
  isSingle(result) ? `${result.id} ${result.title}` : result.title;

const isSingle = (result: ShownResult | undefined): boolean =>
  result?.kind === 'case' || result?.kind === 'combination';

/** How many more modes are listed when the last of the list is shown. */
const moreModes = 3;

/** What can be shown, with further modes behind the last one where that is shown. */
function withMoreModes(known: readonly ShownResult[], chosen: string | undefined): readonly ShownResult[] {
  const listed = known.filter(({ kind }) => kind === 'mode').length;
  const shown = Number(/^mode\.(\d+)$/.exec(chosen ?? '')?.[1] ?? 0);
  if (listed === 0 || shown < listed) return known;
  const more = Array.from({ length: shown + moreModes - listed }, (_, k): ShownResult => {
    const number = listed + k + 1;
    return { id: `mode.${number}`, title: `Mode ${number}`, kind: 'mode' };
  });
  return [...known, ...more];
}
