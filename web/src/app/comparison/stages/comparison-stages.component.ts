import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import {
  differencesBetween,
  extentOf,
  fitView,
  forceNames,
  significant,
  standardViews,
  type Alternative,
  type DrawnScene,
  type Layer,
  type View,
} from '@hashira/core';
import { isLoud, statusWords } from '../../ui/fields/values';
import { ComparisonView } from '../../state/comparison-view.service';
import { ComparedDesign } from '../compared-design.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { Selection } from '../../state/selection.service';
import { ViewState } from '../../state/view-state.service';
import { StageComponent } from '../../stage/stage.component';
import { withDiagrams } from '../../stage/view/fitting';
import { reachOf } from '../../stage/view/scales';
import type { PointedPlace, Pressed, StageContent } from '../../stage/types';
import { Trains } from '../trains/trains.service';
import { Why } from '../why/why.service';
import { PairedShapes } from './paired-shapes.service';
import { readersUnits } from '../../ui/units.service';

/** Free space around a frame on its stage, px: room for values and reactions. */
const margins = { left: 78, right: 78, top: 44, bottom: 74 };
/** The same where only members, supports and shares are drawn. */
const bareMargins = { left: 44, right: 44, top: 30, bottom: 44 };
/** On stages lower than this loads and reactions have no room, px. */
const lowStage = 170;
/** What a stage without them is worth against one that has them. */
const worthOfLow = 0.6;
/** The part of a stage that margins take at the most. */
const mostMargin = 0.8;
/** Height of a stage's heading and of what differs below it, px. */
const headHeight = 46;
/** What is drawn beside shares. */
const shareLayers: readonly Layer[] = ['axes', 'members', 'supports', 'hinges', 'deformed'];

/** The alternatives that stand large, in one view, at one scale, under the same loads, each with what differs in words. */
@Component({
  selector: 'app-comparison-stages',
  imports: [StageComponent],
  templateUrl: './comparison-stages.component.html',
  styleUrl: './comparison-stages.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparisonStagesComponent {
  private readonly units = readersUnits();
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  private readonly comparison = inject(ComparisonView);
  private readonly shapes = inject(PairedShapes);
  private readonly selection = inject(Selection);
  private readonly why = inject(Why);
  private readonly trains = inject(Trains);
  private pointed: PointedPlace | undefined;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly stages = viewChild<ElementRef<HTMLElement>>('stages');

  /** The view after a user moved it; until then every frame is shown whole. */
  private readonly moved = signal<View | undefined>(undefined);
  protected readonly stageSize = signal({ width: 300, height: 200 });
  /** Size of all stages together, px. */
  private readonly area = signal({ width: 1280, height: 400 });

  protected readonly design = inject(ComparedDesign).now;

  /** Alternatives on stages: the two whose shares are looked at, else those that were chosen; the reference has none where it lies under the others. */
  private readonly staged = computed((): readonly Alternative[] => {
    const { alternatives, reference } = this.design();
    const drawn = this.why.drawn();
    const large =
      drawn.length > 0
        ? drawn
        : this.comparison.large(
            alternatives.map(({ id }) => id),
            reference,
          );
    const all = alternatives.filter(({ id }) => large.includes(id));
    const others = all.filter(({ id }) => id !== reference);
    return this.overlaid() && others.length > 0 ? others : all;
  });

  private readonly overlaid = computed(() => this.comparison.overlay() && this.why.drawn().length === 0);

  constructor() {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      this.area.set({ width, height });
    });
    afterNextRender(() => observer.observe(this.stages()?.nativeElement ?? this.host.nativeElement));
    inject(DestroyRef).onDestroy(() => observer.disconnect());
    effect(() => {
      this.view.direction();
      this.moved.set(undefined);
    });
  }

  private sceneOf(id: string): DrawnScene | undefined {
    return this.workspace.results().alternatives.get(id)?.scene;
  }

  private readonly points = computed(() =>
    this.staged().flatMap(({ id }) => [...(this.sceneOf(id)?.points ?? [])]),
  );
  /** How far diagrams may reach from the frames, m. */
  private readonly reach = computed(() =>
    Math.max(
      0,
      ...this.staged().flatMap(({ id }) => {
        const scene = this.sceneOf(id);
        return scene ? [reachOf(scene)] : [];
      }),
    ),
  );
  private readonly direction = computed(
    () => standardViews[this.view.solid() ? this.view.direction() : 'front'],
  );

  /** The frames are higher than wide as they are looked at. */
  readonly isTall = computed(() => {
    const points = this.points();
    if (points.length === 0) return false;
    const { x, y } = extentOf(points, this.direction());
    return y[1] - y[0] > 0.8 * (x[1] - x[0]);
  });

  /** Room for what is drawn beside members, less on small stages. */
  private marginsIn({ width, height }: { width: number; height: number }): typeof margins {
    const isBare = this.why.drawn().length > 0 || this.view.shape() || height < lowStage;
    const full = isBare ? bareMargins : margins;
    const across = Math.min(1, (mostMargin * width) / (full.left + full.right));
    const up = Math.min(1, (mostMargin * height) / (full.top + full.bottom));
    const least = {
      left: across * full.left,
      right: across * full.right,
      top: up * full.top,
      bottom: up * full.bottom,
    };
    if (isBare) return least;
    const drawn = { points: this.points(), reach: this.reach() };
    return withDiagrams(drawn, this.direction(), { width, height }, least);
  }

  protected readonly camera = computed(() => {
    const points = this.points();
    const size = this.stageSize();
    return (
      this.moved() ??
      (points.length > 0 ? fitView(points, this.direction(), size, this.marginsIn(size)) : undefined)
    );
  });

  /** Stages in as many rows as draw the frames largest; none is left empty where that costs little. */
  protected readonly columnCount = computed(() => {
    const { width, height } = this.area();
    const count = this.staged().length;
    const points = this.points();
    if (points.length === 0) return count;
    const scaleWith = (columns: number): number => {
      const rows = Math.ceil(count / columns);
      const size = { width: width / columns, height: Math.max(40, height / rows - headHeight) };
      const empty = columns * rows - count;
      const worth = size.height < lowStage ? worthOfLow : 1;
      const { scale } = fitView(points, this.direction(), size, this.marginsIn(size));
      return worth * scale * (1 - 0.2 * Math.min(1, empty));
    };
    let best = count;
    for (let columns = count; columns >= 1; columns--)
      if (scaleWith(columns) > scaleWith(best) * 1.001) best = columns;
    return best;
  });

  protected readonly columns = computed(() => {
    const { reference } = this.design();
    const isOverlaid = this.overlaid();
    const withShares = this.why.drawn().length > 0;
    return this.staged().map((alternative) => {
      const { id } = alternative;
      const { scene, summary } = this.workspace.results().alternatives.get(id) ?? {};
      return {
        alternative,
        differs: this.differs().get(id)!,
        summary,
        problems: summary?.problems ?? [],
        content: scene && this.contentOf(id, scene),
        under: isOverlaid && id !== reference ? this.underContent() : undefined,
        bands: withShares && scene ? this.why.bandsOn(id, scene) : [],
        arrows: this.trains.arrowsOn(id),
        shown: this.shownOf(id, scene),
        status: summary && isLoud(summary.status) ? statusWords[summary.status] : '',
      };
    });
  });

  private contentOf(id: string, scene: DrawnScene): StageContent {
    const scales = this.view.scales();
    const sign = this.shapes.shownOf(id)?.sign ?? 1;
    return {
      scene,
      layers: this.why.drawn().length > 0 ? shareLayers : this.shownLayers(),
      scales: sign === 1 ? scales : { ...scales, deformation: -scales.deformation },
      dimensions: false,
    };
  }

  private readonly shownLayers = computed((): readonly Layer[] => {
    const isLow = this.stageSize().height < lowStage;
    return this.view.layers().filter((layer) => !isLow || (layer !== 'loads' && layer !== 'reactions'));
  });

  /** The reference where it lies under the others. */
  private readonly underContent = computed((): StageContent | undefined => {
    const { reference } = this.design();
    const scene = this.sceneOf(reference);
    return scene && this.contentOf(reference, scene);
  });

  protected readonly underTitle = computed(() => {
    const { reference, alternatives } = this.design();
    return alternatives.find(({ id }) => id === reference)?.title ?? '';
  });

  /** In what each differs from the reference, by alternative: in few words, and in whole ones. */
  private readonly differs = computed(() => {
    const design = this.design();
    const reference = design.alternatives.find(({ id }) => id === design.reference)!;
    return new Map(
      design.alternatives.map((one) => {
        const found = differencesBetween(design, one, reference);
        const short = found.map(({ title, own }) => `${title}: ${own}`).join('; ');
        const whole = found.map(({ title, own, other }) => `${title}: ${own} instead of ${other}`).join('; ');
        return [one.id, { short: short || (one === reference ? '' : 'as the reference'), whole }];
      }),
    );
  });

  /** What a stage shows, in few words; of a shape what it comes to in that alternative, and its number where that is another. */
  private shownOf(id: string, scene: DrawnScene | undefined): string {
    if (this.why.drawn().length > 0) return `shares in ${this.why.of()!.title}`;
    if (this.view.single()) return this.view.resultId();
    if (!this.view.shape()) return this.view.resultTitle();
    const kind = this.shapes.kind();
    const own = this.shapes.shownOf(id);
    if (kind && own) {
      if (!own.shape) return 'nothing like it';
      const { value, number, words, pair } = own.shape;
      const told =
        kind.combination === undefined
          ? this.units().withUnit(value, 'frequency')
          : `${significant(value)} × ${kind.combination}`;
      const other = number === kind.number ? '' : `, here shape ${number}`;
      const mac = id === this.design().reference ? '' : `, MAC ${(pair?.mac ?? 0).toFixed(2)}`;
      return `${told}${mac}${other}, ${words}`;
    }
    return scene?.legend[0]?.text ?? this.view.resultTitle();
  }

  protected pointAt(place: PointedPlace | undefined): void {
    this.pointed = place;
  }

  /** What is pressed is selected on all stages; while trains are looked at, the shown force is read there. */
  protected pressed({ of, ids, add }: Pressed): void {
    this.selection.pick(of, ids, add);
    const force = forceNames.find((name) => name === this.view.diagram());
    if (this.trains.open() && this.pointed && force)
      this.trains.readAt(this.pointed.member, this.pointed.fraction, force);
  }

  protected setCamera(view: View): void {
    this.moved.set(view);
  }

  fitAll(): void {
    this.moved.set(undefined);
  }
}
