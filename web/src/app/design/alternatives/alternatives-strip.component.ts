import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import {
  decideFor,
  differencesBetween,
  differingFrom,
  duplicateAlternative,
  fitView,
  insertAlternative,
  projected,
  removeAlternative,
  renameAlternative,
  setReference,
  standardViews,
  type Alternative,
  type Design,
  type FigureSummary,
} from '@hashira/core';
import { MessageService, type MenuItem } from 'primeng/api';
import { focusSoon } from '../../ui/focus-soon';
import { Menu } from 'primeng/menu';
import { EditableTextComponent } from '../../ui/editable-text.component';
import {
  beyondText,
  differenceText,
  figureExact,
  figureText,
  isLoud,
  statusWords,
} from '../../ui/fields/values';
import { StageCanvasComponent } from '../../stage/paint/stage-canvas.component';
import type { Sheet } from '../../stage/types';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { MembersView } from '../../state/members-view.service';
import { ViewState } from '../../state/view-state.service';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';
import { BesideOpenerDirective } from '../../ui/library/beside-opener.directive';

const thumbnail = { width: 68, height: 74 };
/** Members of a frame beyond which marks would be a blot. */
const mostMarked = 4000;
/** Places that are ringed; more of them are dots. */
const mostRings = 8;
const edge = { left: 14, right: 14, top: 14, bottom: 14 };

/** Members up to which a diagram can be read in a thumbnail. */
const mostWithDiagram = 12;

/** The alternatives along the bottom: each with its own frame, live, and its three most telling numbers. */
@Component({
  selector: 'app-alternatives-strip',
  imports: [ActionDirective, StageCanvasComponent, BesideOpenerDirective, Menu, EditableTextComponent],
  templateUrl: './alternatives-strip.component.html',
  styleUrl: './alternatives-strip.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AlternativesStripComponent {
  private readonly units = readersUnits();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly members = inject(MembersView);
  private readonly messages = inject(MessageService);

  /** Ids of the alternatives that stand large elsewhere on the screen, where they are chosen here. */
  readonly large = input<readonly string[] | undefined>(undefined);
  readonly largeChange = output<{ readonly id: string; readonly on: boolean }>();

  protected readonly design = computed(() => this.workspace.state()!.design);
  /** The alternative whose removal a message tells. */
  private readonly removed = signal<string | undefined>(undefined);
  protected readonly selected = computed(() => this.workspace.selectedAlternative(this.design()).id);

  /** One view for all thumbnails, so that their sizes compare. */
  private readonly commonView = computed(() => {
    const points = joined(
      [...this.workspace.results().alternatives.values()].flatMap(({ scene }) => scene?.points ?? []),
    );
    const direction = this.view.solid() ? standardViews.oblique : standardViews.front;
    return points.length > 0 ? fitView(points, direction, thumbnail, edge) : undefined;
  });

  /** What each alternative picks otherwise than the reference, in words. */
  private readonly differs = computed((): ReadonlyMap<string, string> => {
    const design = this.design();
    const reference = design.alternatives.find(({ id }) => id === design.reference);
    if (!reference) return new Map();
    return new Map(
      design.alternatives.map((one) => [
        one.id,
        differencesBetween(design, one, reference)
          .map(({ title, own }) => `${title.toLowerCase()} ${own}`)
          .join(', '),
      ]),
    );
  });

  protected readonly cards = computed(() => {
    const { alternatives } = this.workspace.results();
    const { reference } = this.design();
    const base = alternatives.get(reference)?.summary.figures;
    return this.design().alternatives.map((alternative) => {
      const summary = alternatives.get(alternative.id)?.summary;
      const failed = (summary?.problems.length ?? 0) > 0;
      return {
        alternative,
        sheet: this.sheetOf(alternative),
        marks: this.marksOf(alternative),
        numbers: (summary?.figures ?? []).slice(0, 3).map((figure) => ({
          name: figure.title,
          text: figureText(figure, this.units()),
          exact: figureExact(figure, this.units()),
          over: figure.status === 'fail',
          beyond: beyondText(figure),
          difference:
            // A broken limit says enough, and leaves room for the name
            alternative.id === reference || figure.status === 'fail'
              ? ''
              : differenceText(sizeOf(figure), sizeOf(base?.find(({ id }) => id === figure.id)), 2),
        })),
        // Figures beyond their limits are said beside their values
        status:
          summary && !failed && summary.status !== 'pass' && summary.status !== 'beyond limits'
            ? statusWords[summary.status]
            : '',
        differs: this.differs().get(alternative.id) ?? '',
        loud: summary !== undefined && isLoud(summary.status),
        problem: failed ? (summary!.problems[0]?.message ?? '') : '',
      };
    });
  });

  constructor() {
    // A removal that is taken back is no longer news
    effect(() => {
      const id = this.removed();
      if (id === undefined || !this.design().alternatives.some((one) => one.id === id)) return;
      this.removed.set(undefined);
      this.messages.clear();
    });
    // A selected card is always in sight
    afterRenderEffect({
      read: () => {
        const id = this.selected();
        this.host.nativeElement
          .querySelector(`[data-alternative="${CSS.escape(id)}"]`)
          ?.closest('.card')
          ?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
      },
    });
  }

  private sheetOf(alternative: Alternative): Sheet | undefined {
    const scene = this.workspace.results().alternatives.get(alternative.id)?.scene;
    const view = this.commonView();
    // In a small picture of many members a diagram hides what tells the alternatives apart
    const isRead =
      !this.members.open() && scene?.space === 'plane' && scene.members.ids.length <= mostWithDiagram;
    const layers = [...this.view.layers(), 'whole' as const].filter(
      (layer) =>
        (layer !== 'diagram' || isRead) &&
        layer !== 'loads' &&
        layer !== 'reactions' &&
        layer !== 'axes' &&
        !(layer === 'hinges' && scene?.space === 'solid'),
    );
    return scene && view
      ? {
          scene,
          layers,
          scales: this.view.scales(),
          dimensions: false,
          view,
          size: thumbnail,
          phase: 1,
          thumbnail: true,
        }
      : undefined;
  }

  /** What is otherwise than in the reference, on the small picture: members as lines, supports and hinges as rings. */
  private marksOf({ id }: Alternative): string {
    const { alternatives } = this.workspace.results();
    const [own, reference] = [id, this.design().reference].map((one) => alternatives.get(one)?.scene);
    const view = this.commonView();
    if (!own || !reference || !view || own === reference) return '';
    if (own.members.ids.length > mostMarked) return '';
    const { members, places } = differingFrom(own, reference);
    const on = (point: Parameters<typeof projected>[2]) =>
      projected(view, thumbnail, point).map((c) => c.toFixed(1));
    // Rings on many places would hide the frame
    const r = places.length > mostRings ? 1 : 4;
    return [
      ...members.map(([a, b]) => `M${on(a).join(' ')}L${on(b).join(' ')}`),
      ...places.map((place) => {
        const [x, y] = on(place);
        return `M${x} ${y}m-${r} 0a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 -${2 * r} 0`;
      }),
    ].join('');
  }

  protected menuItems(alternative: Alternative, title: EditableTextComponent): MenuItem[] {
    return [
      { label: 'Rename', command: () => title.start() },
      { label: 'Duplicate', command: () => this.duplicate(alternative) },
      {
        label: 'Make it the reference',
        disabled: alternative.id === this.design().reference,
        command: () => this.workspace.apply((design) => setReference(design, alternative.id)),
      },
      {
        label: 'Remove',
        disabled: this.design().alternatives.length < 2,
        command: () => this.remove(alternative),
      },
    ];
  }

  protected rename(alternative: Alternative, title: string): void {
    this.workspace.apply((design) => renameAlternative(design, alternative.id, title));
  }

  protected add(): void {
    // What is shown is what is varied
    const shown = this.selected();
    this.show((design) => duplicateAlternative(design, shown, 'New alternative'));
  }

  private duplicate(alternative: Alternative): void {
    this.show((design) => duplicateAlternative(design, alternative.id));
  }

  private show(added: (design: Design) => { design: Design; id: string }): void {
    const { id } = added(this.design());
    this.workspace.apply((design) => added(design).design);
    this.workspace.select(id);
    this.focusShown();
  }

  private focusShown(): void {
    focusSoon(this.host.nativeElement, '[role=radio][aria-checked=true]');
  }

  private remove(alternative: Alternative): void {
    const index = this.design().alternatives.indexOf(alternative);
    const { reference, decision } = this.design();
    const wasReference = reference === alternative.id;
    this.workspace.apply((design) => removeAlternative(design, alternative.id));
    this.removed.set(alternative.id);
    this.focusShown();
    this.messages.add({
      severity: 'secondary',
      summary: `"${alternative.title}" was removed.`,
      life: 8000,
      data: { label: 'Undo', action: () => this.bringBack(alternative, index, wasReference, decision) },
    });
  }

  /** Undoes a removal alone, whatever was changed since. */
  private bringBack(
    alternative: Alternative,
    index: number,
    asReference: boolean,
    decision: Design['decision'],
  ): void {
    this.workspace.apply((design) => {
      const back = insertAlternative(design, alternative, index);
      const whole = asReference ? setReference(back, alternative.id) : back;
      return decision?.alternative === alternative.id && !whole.decision
        ? decideFor(whole, decision.alternative, decision.note)
        : whole;
    });
  }

  /** Left and right go through the alternatives. */
  protected key(event: KeyboardEvent): void {
    const direction = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (direction === undefined) return;
    event.preventDefault();
    const ids = this.design().alternatives.map((a) => a.id);
    const next = ids[(ids.indexOf(this.selected()) + direction + ids.length) % ids.length]!;
    this.workspace.select(next);
    this.host.nativeElement.querySelector<HTMLElement>(`[data-alternative="${next}"]`)?.focus();
  }
}

/** A figure by its magnitude, which alone is set beside the reference in so little room. */
const sizeOf = (figure: FigureSummary | undefined): Pick<FigureSummary, 'value' | 'signed'> | undefined =>
  figure?.value === undefined ? undefined : { value: Math.abs(figure.value), signed: false };

function joined(lists: readonly Float32Array[]): Float32Array {
  const all = new Float32Array(lists.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const list of lists) {
    all.set(list, at);
    at += list.length;
  }
  return all;
}
