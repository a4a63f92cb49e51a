import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterRenderEffect,
  computed,
  inject,
} from '@angular/core';
import {
  addAlternative,
  duplicateAlternative,
  figures,
  insertAlternative,
  removeAlternative,
  renameAlternative,
  setReference,
  type Alternative,
  type Design,
  type FigureId,
} from '@hashira/core';
import { MessageService, type MenuItem } from 'primeng/api';
import { Menu } from 'primeng/menu';
import { extentOf, fitCamera, union, type Extent } from '../stage/camera';
import { StageCanvasComponent } from '../stage/stage-canvas.component';
import type { StageScene } from '../stage/scene';
import { EditableTextComponent } from '../shared/editable-text.component';
import { figureExact, figureText } from '../shared/figure-text';
import { stageContent } from '../shared/stage-content';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';

const thumbnail = { width: 116, height: 74 };
const edge = { left: 22, right: 22, top: 18, bottom: 14 };
const telling: FigureId[] = ['utilisation', 'sway', 'mass'];
const shortNames: Partial<Record<FigureId, string>> = {
  utilisation: 'utilised',
  sway: 'sway',
  mass: 'steel',
};

/** The alternatives along the bottom: each with its own frame, live, and its three most telling numbers. */
@Component({
  selector: 'app-alternatives-strip',
  imports: [StageCanvasComponent, Menu, EditableTextComponent],
  templateUrl: './alternatives-strip.component.html',
  styleUrl: './alternatives-strip.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AlternativesStripComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly workspace = inject(DesignWorkspace);
  private readonly view = inject(ViewState);
  private readonly messages = inject(MessageService);

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly selected = computed(() => this.workspace.selectedAlternative(this.design()).id);

  /** One camera for all thumbnails, so that their sizes compare. */
  private readonly camera = computed(() => {
    const extents = [...this.workspace.results().alternatives.values()].flatMap((result): Extent[] => {
      const built = result.ok ? result.value.built : result.built;
      return built ? [extentOf(built.model.nodes.flatMap((n) => [n.x, 0, n.z]))] : [];
    });
    return extents.length > 0 ? fitCamera(extents.reduce(union), thumbnail, edge) : undefined;
  });

  protected readonly cards = computed(() => {
    const results = this.workspace.results().alternatives;
    return this.design().alternatives.map((alternative) => {
      const result = results.get(alternative.id);
      return {
        alternative,
        scene: this.sceneOf(alternative),
        numbers: telling.map((id) => {
          const figure = figures.find((f) => f.id === id)!;
          const value = result?.ok ? result.value.governing[id] : undefined;
          return {
            name: shortNames[id] ?? figure.title,
            text: figureText(figure, value),
            exact: figureExact(figure, value),
            over: id === 'utilisation' && (value?.value ?? 0) > 1,
          };
        }),
        problem: result && !result.ok ? (result.problems[0]?.message ?? '') : '',
      };
    });
  });

  constructor() {
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

  private sceneOf(alternative: Alternative): StageScene | undefined {
    const camera = this.camera();
    const layers = { ...this.view.layers(), reactions: false, loads: false, dimensions: false };
    const content = stageContent(
      this.workspace.results().alternatives.get(alternative.id),
      this.view.resultId(),
      layers,
      this.view.scales(),
    );
    return content && camera ? { ...content, camera, size: thumbnail, phase: 1, thumbnail: true } : undefined;
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
    this.show(addAlternative(this.design()));
  }

  private duplicate(alternative: Alternative): void {
    this.show(duplicateAlternative(this.design(), alternative.id));
  }

  private show({ design, id }: { design: Design; id: string }): void {
    this.workspace.apply(() => design);
    this.workspace.select(id);
  }

  private remove(alternative: Alternative): void {
    const index = this.design().alternatives.indexOf(alternative);
    const wasReference = this.design().reference === alternative.id;
    this.workspace.apply((design) => removeAlternative(design, alternative.id));
    this.messages.add({
      severity: 'secondary',
      summary: `"${alternative.title}" was removed.`,
      life: 8000,
      data: { label: 'Undo', action: () => this.bringBack(alternative, index, wasReference) },
    });
  }

  /** Undoes a removal alone, whatever was changed since. */
  private bringBack(alternative: Alternative, index: number, asReference: boolean): void {
    this.workspace.apply((design) => {
      const whole = insertAlternative(design, alternative, index);
      return asReference ? setReference(whole, alternative.id) : whole;
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
