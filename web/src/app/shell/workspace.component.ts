import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { Title } from '@angular/platform-browser';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { setTitle, titleWith } from '@hashira/core';
import { Button } from 'primeng/button';
import { PrimeNG } from 'primeng/config';
import { Tooltip } from 'primeng/tooltip';
import { delay, firstValueFrom } from 'rxjs';
import { DesignApi } from '../state/saving/design-api.service';
import { downloadDesign } from '../state/saving/design-file';
import { rememberOpened } from '../state/saving/last-opened';
import { EditableTextComponent } from '../ui/editable-text.component';
import { Calculation } from '../state/calculation/calculation.service';
import { ReadersUnits } from '../ui/units.service';
import { ComparisonView } from '../state/comparison-view.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { MemberDrawing } from '../state/member-drawing.service';
import { MembersView } from '../state/members-view.service';
import { fieldSurroundings } from '../ui/fields/field-surroundings';
import { ExpressionHelp } from '../state/expression-help.service';
import { HeaderToolsComponent } from './header-tools.component';
import { KeysPageComponent } from './keys-page.component';
import { Previews } from '../state/saving/previews.service';
import { Saving } from '../state/saving/saving.service';
import { Drafts, type Draft } from '../state/saving/drafts.service';
import { StepPreview } from '../state/preview.service';
import { TextDraft } from '../state/text-draft.service';
import { Pointing } from '../state/pointing.service';
import { Selection } from '../state/selection.service';
import { ViewState } from '../state/view-state.service';
import { WorkspaceStateComponent } from './workspace-state.component';

/** An open design: loads it, keeps it saved, and frames its screens. */
@Component({
  selector: 'app-workspace',
  imports: [
    RouterOutlet,
    RouterLink,
    RouterLinkActive,
    Button,
    Tooltip,
    EditableTextComponent,
    HeaderToolsComponent,
    KeysPageComponent,
    WorkspaceStateComponent,
  ],
  templateUrl: './workspace.component.html',
  styleUrl: './workspace.component.css',
  providers: [
    Calculation,
    Saving,
    DesignWorkspace,
    Selection,
    Pointing,
    TextDraft,
    MemberDrawing,
    StepPreview,
    MembersView,
    ComparisonView,
    ViewState,
    Previews,
    ExpressionHelp,
    { provide: fieldSurroundings, useExisting: ExpressionHelp },
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'key($event)', '(window:beforeunload)': 'leaving($event)' },
})
export class WorkspaceComponent {
  private readonly api = inject(DesignApi);
  private readonly router = inject(Router);
  private readonly pageTitle = inject(Title);
  private readonly saving = inject(Saving);
  protected readonly workspace = inject(DesignWorkspace);

  /** The design's id, from the address. */
  readonly id = input.required<string>();

  private readonly screen = viewChild<ElementRef<HTMLElement>>('screen');
  private readonly primeng = inject(PrimeNG);
  protected readonly units = inject(ReadersUnits);

  protected readonly problem = signal('');
  protected readonly keysOpen = signal(false);
  private beforeKeys: HTMLElement | null = null;
  /** Unsaved changes of an earlier visit were taken up. */
  protected readonly takenUp = signal(false);
  /** A revision that another page saved. */
  private readonly newer = signal(0);
  private readonly drafts = inject(Drafts);

  protected readonly opened = computed(() => this.workspace.state() !== undefined);
  protected readonly title = computed(() => this.workspace.state()?.design.title ?? '');
  /** Why the design is not saved, where that needs to be told. */
  protected readonly trouble = computed(() => {
    const state = this.workspace.savingState();
    return state.kind === 'conflict' || state.kind === 'unsaved' ? state : undefined;
  });
  /** A revision that is newer than what is shown, while nothing is changed here; otherwise 0. */
  protected readonly newerThanShown = computed(() =>
    this.workspace.savingState().kind === 'saved' ? this.newer() : 0,
  );

  constructor() {
    // Lists that open belong to the page's main part, for those who hear it
    effect(() => this.primeng.overlayAppendTo.set(this.screen()?.nativeElement ?? 'self'));

    // Reads the address before the design is opened
    inject(ViewState);
    inject(Previews);
    effect(() => void this.open(this.id()));
    effect((onCleanup) => {
      // The answer to a save of this page may come after its event
      const saves = this.api.saves(this.id()).pipe(delay(1500));
      const subscription = saves.subscribe((revision) => this.savedElsewhere(revision));
      onCleanup(() => subscription.unsubscribe());
    });
    effect(() => {
      if (this.opened()) this.pageTitle.setTitle(`${this.title()} · Hashira`);
    });
    inject(DestroyRef).onDestroy(() => this.saving.flush());
  }

  protected rename(title: string): void {
    this.workspace.apply((design) => setTitle(design, title));
  }

  protected export(): void {
    const design = this.workspace.state()?.design;
    if (design) downloadDesign(design);
  }

  /** Takes the stored design in a conflict; what is on the screen is given up. */
  protected takeTheirs(): Promise<void> {
    return this.open(this.id());
  }

  /** Keeps what is on the screen in a conflict, as a design of its own. */
  protected async keepMine(): Promise<void> {
    const design = this.workspace.state()?.design;
    if (!design) return;
    await this.attempt(async () => {
      const stored = await firstValueFrom(
        this.api.create({ ...design, title: titleWith(design.title, ', mine') }),
      );
      await this.router.navigate(['/designs', stored.id]);
    });
  }

  private savedElsewhere(revision: number): void {
    const state = this.saving.state;
    if (state.kind === 'saved' && state.revision < revision) this.newer.set(revision);
  }

  /** The page of keys gives the focus back to what had it. */
  protected showKeys(on: boolean): void {
    if (on && !this.keysOpen()) this.beforeKeys = document.activeElement as HTMLElement | null;
    this.keysOpen.set(on);
    if (!on) {
      const back = this.beforeKeys;
      this.beforeKeys = null;
      setTimeout(() => back?.focus());
    }
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'F1') {
      event.preventDefault();
      this.showKeys(!this.keysOpen());
      return;
    }
    if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
    // In a text the browser takes back what was typed
    if ((event.target as Element).closest('input:not([type=checkbox], [type=range]), textarea')) return;
    const key = event.key.toLowerCase();
    if (key === 'z' && !event.shiftKey) this.workspace.undo();
    else if (key === 'y' || (key === 'z' && event.shiftKey)) this.workspace.redo();
    else return;
    event.preventDefault();
  }

  protected leaving(event: BeforeUnloadEvent): void {
    if (this.saving.state.kind === 'saved') return;
    this.saving.leave();
    // What waits is kept in the browser; a conflict needs a decision
    if (this.saving.state.kind !== 'saving') event.preventDefault();
  }

  private async open(id: string): Promise<void> {
    this.problem.set('');
    await this.attempt(async () => {
      const { revision, document } = await firstValueFrom(this.api.load(id));
      if (this.id() !== id) return;
      const draft = await this.drafts.find(id);
      if (this.id() !== id) return;
      const same = draft && JSON.stringify(draft.design) === JSON.stringify(document);
      if (draft && (same || draft.revision < revision)) await this.oldDraft(draft, revision, same ?? false);
      this.workspace.open(
        id,
        revision,
        document,
        draft && !same && draft.revision === revision ? draft.design : undefined,
      );
      if (draft && !same && draft.revision === revision) this.takenUp.set(true);
      this.newer.set(0);
      rememberOpened(id);
    });
  }

  /** A draft that the server has, or one that was made before what the server has now: kept as a design of its own, so that nothing is lost. */
  private async oldDraft({ id, design }: Draft, revision: number, same: boolean): Promise<void> {
    if (!same) {
      await firstValueFrom(
        this.api.create({ ...design, title: titleWith(design.title, ', unsaved changes') }),
      );
      this.problem.set(
        `Changes that were not saved were based on an older revision than ${revision}; they are kept as the design "${design.title}, unsaved changes".`,
      );
    }
    await this.drafts.forget(id);
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    }
  }
}
