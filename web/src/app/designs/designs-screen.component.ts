import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { Design } from '@hashira/core';
import { MessageService } from 'primeng/api';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { firstValueFrom } from 'rxjs';
import { DesignApi, type DeletedDesigns, type DesignSummary } from '../state/saving/design-api.service';
import { downloadDesign, readDesignFile } from '../state/saving/design-file';
import { CalculationAside } from '../state/calculation/calculation-aside.service';
import { focusSoon } from '../ui/focus-soon';
import { Thumbnails } from './thumbnails.service';

/** All designs, each with its frame and its most telling numbers: open, duplicate, rename, delete with undo, export and import. */
@Component({
  selector: 'app-designs-screen',
  imports: [RouterLink, TableModule, Button, Dialog, InputText, FormsModule, DatePipe],
  templateUrl: './designs-screen.component.html',
  styleUrl: './designs-screen.component.css',
  providers: [Thumbnails, CalculationAside],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown.control.z)': 'undo($event)', '(document:keydown.meta.z)': 'undo($event)' },
})
export class DesignsScreenComponent {
  private readonly api = inject(DesignApi);
  private readonly messages = inject(MessageService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly thumbnails = inject(Thumbnails);

  protected readonly designs = signal<DesignSummary[]>([]);
  protected readonly deleted = signal<DeletedDesigns>({ keptDays: 0, designs: [] });
  protected readonly deletedRows = computed(() => [...this.deleted().designs]);
  protected readonly loaded = signal(false);
  protected readonly renaming = signal<DesignSummary | undefined>(undefined);
  protected readonly newTitle = signal('');
  /** What was typed to look for, in lower case. */
  protected readonly sought = signal('');
  protected readonly found = computed(() =>
    this.designs().filter(({ title }) => title.toLowerCase().includes(this.sought())),
  );
  /** Designs that were deleted here, the last one at the end: Ctrl Z brings them back one by one. */
  private readonly undoable: DesignSummary[] = [];

  constructor() {
    void this.run(() => this.refresh());
  }

  protected duplicate(design: DesignSummary): Promise<void> {
    return this.run(async () => {
      await firstValueFrom(this.api.duplicate(design.id));
      await this.refresh();
    });
  }

  protected startRename(design: DesignSummary): void {
    this.newTitle.set(design.title);
    this.renaming.set(design);
  }

  protected rename(): Promise<void> {
    const design = this.renaming();
    const title = this.newTitle().trim();
    this.renaming.set(undefined);
    if (!design || title === '' || title === design.title) return Promise.resolve();
    return this.run(async () => {
      const stored = await firstValueFrom(this.api.load(design.id));
      await firstValueFrom(this.api.save(design.id, stored.revision, { ...stored.document, title }));
      await this.refresh();
    });
  }

  protected remove(design: DesignSummary): Promise<void> {
    return this.run(async () => {
      // Over the revision that is seen: one that was changed since is not deleted unseen
      await firstValueFrom(this.api.remove(design.id, design.revision));
      await this.refresh();
      this.messages.add({
        severity: 'secondary',
        summary: `"${design.title}" was deleted.`,
        life: 15_000,
        data: { label: 'Undo', action: () => this.bringBack(design) },
      });
      this.undoable.push(design);
      focusSoon(this.host.nativeElement, 'tbody a', '.new');
    });
  }

  protected export(design: DesignSummary): Promise<void> {
    return this.run(async () => downloadDesign((await firstValueFrom(this.api.load(design.id))).document));
  }

  protected import(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return Promise.resolve();
    return this.run(async () => {
      const document = (await readDesignFile(file)) as Design;
      const stored = await firstValueFrom(this.api.create(document));
      await this.refresh();
      this.messages.add({
        severity: 'secondary',
        summary: `"${stored.document.title}" was imported.`,
        life: 6000,
      });
    });
  }

  /** Brings back what was deleted last on this page. */
  protected undo(event: Event): void {
    const last = this.undoable.at(-1);
    if (!last || event.target instanceof HTMLInputElement) return;
    event.preventDefault();
    void this.bringBack(last);
  }

  protected bringBack({ id, title }: DesignSummary): Promise<void> {
    const at = this.undoable.findIndex((one) => one.id === id);
    if (at >= 0) this.undoable.splice(at, 1);
    return this.run(async () => {
      await this.restore(id);
      // Its deletion is no longer news
      this.messages.clear();
      this.messages.add({ severity: 'secondary', summary: `"${title}" is back.`, life: 6000 });
    });
  }

  private async restore(id: string): Promise<void> {
    await firstValueFrom(this.api.restore(id));
    await this.refresh();
  }

  private async refresh(): Promise<void> {
    const [designs, deleted] = await Promise.all([
      firstValueFrom(this.api.list()),
      firstValueFrom(this.api.deleted()),
    ]);
    this.designs.set(designs);
    this.deleted.set(deleted);
    this.loaded.set(true);
    this.thumbnails.look(designs);
  }

  private async run(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      this.messages.add({
        severity: 'error',
        summary: 'That did not work',
        detail: error instanceof Error ? error.message : String(error),
        sticky: true,
      });
    }
  }
}
