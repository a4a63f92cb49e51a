import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import {
  applyFix,
  designChangesInShort,
  emptySheet,
  forceNames,
  forceQuantity,
  ownValue,
  sectionForAll,
  setAnalysis,
  setStepField,
  setValue,
  significant,
  sliceWords,
  type Fix,
  type Design,
  type Reading,
  type Layer,
  type Units,
} from '@hashira/core';
import { Calculation } from '../state/calculation/calculation.service';
import { download } from '../state/saving/design-file';
import { StageBarComponent } from './stage-tools/stage-bar.component';
import { LegendComponent } from './stage-tools/legend.component';
import { TracePanelComponent } from './ledger/trace-panel.component';
import { TraceService } from './ledger/trace.service';
import { isLoud, statusWords } from '../ui/fields/values';
import { StageOverlays, StageOverlayDirective } from '../stage/labels/stage-overlays';
import type { DimensionChange } from '../stage/labels/dimension-label.component';
import { StageComponent } from '../stage/stage.component';
import { spaceAt } from '../stage/view/navigation';
import type { OnSheet, PointedPlace, Pressed, Readout, StageContent } from '../stage/types';
import { DesignWorkspace } from '../state/design-workspace.service';
import { Pointing } from '../state/pointing.service';
import { MemberDrawing } from '../state/member-drawing.service';
import { StepPoints } from './step-points.service';
import { StepPreview } from '../state/preview.service';
import { Selection } from '../state/selection.service';
import { ViewState } from '../state/view-state.service';
import { AlternativesStripComponent } from './alternatives/alternatives-strip.component';
import { DrawMemberBarComponent } from './stage-tools/draw-member-bar.component';
import { LeavesComponent } from './leaves.component';
import { LedgerComponent } from './ledger/ledger.component';
import { ModelCheckComponent } from './stage-tools/model-check.component';
import { ResultTablesComponent } from './tables/result-tables.component';
import { SettingsComponent } from './ledger/settings.component';
import { SelectionBarComponent } from './stage-tools/selection-bar.component';
import { readersUnits } from '../ui/units.service';
import { ActionDirective } from '../ui/action.directive';

/** Letters of a change that a button tells. */
const longestChange = 70;

/** The design screen: the leaves, stage, ledger, and the strip of alternatives. */
@Component({
  selector: 'app-design-screen',
  imports: [
    ActionDirective,
    LeavesComponent,
    StageComponent,
    StageBarComponent,
    LedgerComponent,
    ModelCheckComponent,
    ResultTablesComponent,
    SelectionBarComponent,
    SettingsComponent,
    DrawMemberBarComponent,
    LegendComponent,
    StageOverlayDirective,
    AlternativesStripComponent,
    TracePanelComponent,
  ],
  templateUrl: './design-screen.component.html',
  styleUrl: './design-screen.component.css',
  providers: [StepPoints, TraceService, StageOverlays],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DesignScreenComponent {
  private readonly units = readersUnits();
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  private readonly selection = inject(Selection);
  protected readonly drawing = inject(MemberDrawing);
  private readonly pointing = inject(Pointing);
  protected readonly preview = inject(StepPreview);
  protected readonly points = inject(StepPoints);
  private readonly calculation = inject(Calculation);
  private readonly traces = inject(TraceService);
  private readonly stage = viewChild(StageComponent);

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));
  protected readonly known = computed(() => this.workspace.results().alternatives.get(this.alternative().id));
  protected readonly summary = computed(() => this.known()?.summary);
  protected readonly problems = computed(() => this.summary()?.problems ?? []);
  protected readonly content = computed((): StageContent | undefined => {
    const preview = this.preview.scene();
    if (preview)
      return { scene: preview, layers: previewLayers, scales: this.view.scales(), dimensions: false };
    const scene = this.isEmpty() ? emptySheet(this.design(), this.alternative()) : this.known()?.scene;
    const drawn = this.drawing.active() ? [...this.view.layers(), 'axes' as const] : this.view.layers();
    const layers = [...new Set(this.isEmpty() ? [...drawn, 'axes' as const] : drawn)];
    return scene && { scene, layers, scales: this.view.scales(), dimensions: true };
  });
  /** Nothing was made yet: the sheet is there to be drawn on. */
  protected readonly isEmpty = computed(() => !this.design().steps.some(({ off }) => !off));
  /** Members lack a section: one press gives them one. */
  protected readonly withoutSection = computed(() =>
    this.problems().some(({ code }) => code === 'no-section'),
  );
  /** What was changed last, in words, where the frame became a mechanism by it. */
  protected readonly takenBack = computed((): string | undefined => {
    const state = this.workspace.state();
    if (!state?.before || !this.problems().some(({ code }) => code === 'mechanism')) return undefined;
    const [first, ...more] = designChangesInShort(state.before, state.design);
    if (first === undefined) return undefined;
    const words = first.length > longestChange ? `${first.slice(0, longestChange)} …` : first;
    return `take back “${words}”${more.length > 0 ? ` and ${more.length} more` : ''}`;
  });
  /** The restraint that stops a mechanism, where the model check knows one. */
  protected readonly restraint = computed(
    () => this.summary()?.warnings?.find(({ code, fix }) => code === 'mechanism' && fix)?.fix,
  );
  /** The drawing is of the last state that could be built. */
  protected readonly older = computed(() => this.problems().length > 0 && this.summary()?.built === false);
  protected readonly status = computed(() => {
    const summary = this.summary();
    if (!summary || this.problems().length > 0) return undefined;
    return {
      ...summary,
      words: statusWords[summary.status],
      loud: isLoud(summary.status),
      alpha: summary.alphaCr === undefined ? '' : significant(summary.alphaCr),
    };
  });

  /** Changes reach the shown alternative alone. */
  protected readonly isAlone = computed(
    () =>
      this.workspace.scope() === 'one' &&
      this.workspace.recording() === undefined &&
      this.design().alternatives.length > 1,
  );

  /** The greatest utilisation of the members that are checked, where one is known. */
  protected readonly worst = computed(() => {
    const most = Math.max(...(this.summary()?.members ?? []).map(({ utilisation }) => utilisation ?? 0));
    return most > 0 ? significant(most) : '';
  });

  /** Title of the option into which changes go. */
  protected readonly recordingInto = computed(() => {
    const into = this.workspace.recording();
    const choice = this.design().choices.find(({ id }) => id === into?.choice);
    return choice?.options.find(({ id }) => id === into?.option)?.title;
  });

  private readonly place = signal<PointedPlace | undefined>(undefined);
  private readonly reading = signal<{ of: PointedPlace; reading: Reading } | undefined>(undefined);
  private asking = false;
  /** Values of the member that is pointed at; those of another one are not shown while its own are asked for. */
  protected readonly readout = computed((): Readout | undefined => {
    const read = this.reading();
    return read && read.of.member === this.place()?.member
      ? readoutOf(read.reading, this.view.solid(), this.units())
      : undefined;
  });

  constructor() {
    effect(() => {
      this.known();
      this.view.resultId();
      void this.traces.refresh();
      void this.read();
    });
  }

  protected point(place: PointedPlace | undefined): void {
    this.place.set(place);
    if (this.drawing.active()) void this.drawing.point(place?.member, place?.fraction);
    else void this.read();
  }

  /** Beside the frame a member is drawn to grid lines and multiples of a spacing, in the plane of its beginning. */
  protected pointBeside(place: OnSheet): void {
    if (!this.drawing.active()) return;
    const through = this.drawing.from()?.at ?? [0, 0, 0];
    this.drawing.pointAt({ at: spaceAt(place, through), reach: reachPx / place.view.scale });
  }

  /** Escape gives up the beginning of a member, drawing, or pointing. */
  protected escape(): void {
    if (this.drawing.active()) this.drawing.back();
    else this.pointing.end();
  }

  /** What is pressed is selected; while a member is drawn, it begins or ends there. */
  protected picked({ of, ids, add, beside = false }: Pressed): void {
    if (!this.drawing.active()) this.selection.pick(of, ids, add);
    // Pressing beside the frame takes the place there; Escape, which picks nothing, takes none
    else if (ids.length > 0 || beside) this.drawing.press();
  }

  /** Asks for the values at the place that is pointed at; one question at a time, the latest place last. */
  private async read(): Promise<void> {
    if (this.asking) return;
    this.asking = true;
    let place = this.place();
    for (;;) {
      const reading = place && (await this.calculation.ask(this.alternative().id, 'reading', place));
      this.reading.set(place && reading && { of: place, reading });
      if (this.place() === place) break;
      place = this.place();
    }
    this.asking = false;
  }

  /** What the drawing is of, by its own word: another result may have been chosen while it is worked out. */
  protected readonly drawnTitle = computed(() => {
    const scene = this.known()?.scene;
    if (!scene || scene.result === this.view.resultId()) return this.view.resultTitle();
    return scene.title;
  });

  /** What the stage shows, for readers: told when it is worked out, not while it is on its way. */
  protected readonly toldToReaders = computed((): string => {
    const scene = this.known()?.scene;
    if (!scene || this.workspace.isBehind(this.alternative().id) || this.awaited() !== '') return '';
    const diagram = this.view.diagram();
    const of = diagram === 'none' || this.view.shape() ? '' : `, ${diagram}`;
    const lines = scene.legend.map(({ text }) => text);
    return [`${this.alternative().title}, ${this.drawnTitle()}${of}`, ...lines].join('; ');
  });

  /** What stands in ink of a solid frame, and why. */
  protected readonly sliceTold = computed((): string => {
    const slice = this.known()?.scene?.slice;
    if (!slice) return '';
    const why = this.view.slice() === 'governing' ? `, where ${this.view.diagram()} is greatest` : '';
    return `${sliceWords(slice)} in ink${why}`;
  });

  /** The result that was chosen and is not drawn yet. */
  protected readonly awaited = computed(() => {
    const scene = this.known()?.scene;
    const isOther = scene !== undefined && scene.result !== '' && scene.result !== this.view.resultId();
    return isOther && this.problems().length === 0 ? this.view.resultTitle() : '';
  });

  /** αcr of a frame that second order finds past its critical load. */
  protected readonly pastCritical = computed(() => {
    const { alphaCr } = this.summary() ?? {};
    const isPast = this.problems().some(({ code }) => code === 'diverged');
    return isPast && alphaCr !== undefined ? significant(alphaCr) : undefined;
  });

  protected hold(fix: Fix): void {
    this.workspace.apply((design) => applyFix(design, fix));
  }

  protected changeDimension({ dimension, expression, gesture }: DimensionChange): void {
    const { written, step, field, value } = dimension;
    const { id, parameters } = this.alternative();
    const named =
      typeof written === 'string' && this.design().parameters.some((p) => p.name === written)
        ? written
        : undefined;
    if (named === undefined) {
      if (gesture && !(Number.parseFloat(expression) > 0) && value > 0) return;
      this.workspace.apply(
        (design) => setStepField(design, step, field, expression),
        gesture ? `step ${step} ${field}` : undefined,
      );
      return;
    }
    const own =
      this.workspace.scope() === 'one' || (parameters !== undefined && Object.hasOwn(parameters, named));
    const text = gesture ? this.withinRange(named, expression) : expression;
    this.workspace.apply(
      (design: Design) => setValue(design, named, text, own ? id : undefined),
      gesture ? `parameter ${named}` : undefined,
    );
  }

  /** What a hand drags stays within the parameter's range. */
  private withinRange(name: string, expression: string): string {
    const range = ownValue(this.summary()?.parameters, name);
    const parameter = this.design().parameters.find((p) => p.name === name);
    if (!range || parameter?.kind !== 'quantity') return expression;
    const factor = parameter.quantity === 'angle' ? Math.PI / 180 : 1;
    const value = Number.parseFloat(expression) * factor;
    const kept = Math.min(range.max ?? Infinity, Math.max(range.min ?? -Infinity, value));
    return kept === value
      ? expression
      : this.units().expression(kept, parameter.quantity === 'angle' ? 'angle' : 'length');
  }

  protected useSecondOrder(): void {
    this.workspace.apply((design) => setAnalysis(design, { order: 2, imperfections: true }));
  }

  protected giveSection(): void {
    this.workspace.apply((design) => sectionForAll(design));
  }

  /** On narrow screens leaves and ledger are folded away: which one is open. */
  protected readonly unfolded = signal<'leaves' | 'ledger' | undefined>(undefined);

  protected unfold(part: 'leaves' | 'ledger'): void {
    this.unfolded.update((open) => (open === part ? undefined : part));
  }

  /** A way past the leaves for those who go by the keyboard. */
  protected toStage(): void {
    this.stage()?.focus();
  }

  protected zoom(factor: number): void {
    this.stage()?.zoom(factor);
  }

  /** The moving picture as a file. */
  protected saveFilm(): void {
    const film = this.stage()?.film();
    const name = `${this.design().title}, ${this.alternative().title}, ${this.view.resultTitle()}.svg`;
    if (film !== undefined) download(film, name, 'image/svg+xml');
  }

  protected fitAll(): void {
    this.stage()?.fitAll();
  }
}

/** A step that is previewed has members, signs on them, and floors. */
/** How near a grid line attracts what is drawn, px. */
const reachPx = 12;
const previewLayers: readonly Layer[] = ['axes', 'members', 'hinges'];

const planeForces = ['N', 'Vz', 'My'] as const;
const planeNames = { N: 'N', Vz: 'V', My: 'M' } as const;

function readoutOf(reading: Reading, solid: boolean, units: Units): Readout {
  const { title, section, x, length, forces, least, move } = reading;
  const rows = (solid ? forceNames : planeForces).map((name) => {
    const quantity = forceQuantity(name);
    const value = units.withUnit(forces[name], quantity);
    return [
      solid ? name : planeNames[name as keyof typeof planeNames],
      least ? `${units.number(least[name], quantity)} to ${value}` : value,
    ] as const;
  });
  const moves = (solid ? [0, 1, 2] : [0, 2]).flatMap((k) =>
    move ? [[`u${'xyz'[k]!}`, units.withUnit(move[k]!, 'deflection')] as const] : [],
  );
  return {
    title,
    about: `${section}, x = ${units.number(x, 'length')} of ${units.withUnit(length, 'length')}`,
    rows: [...rows, ...moves],
  };
}
