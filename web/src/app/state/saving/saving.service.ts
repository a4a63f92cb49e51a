import { Injectable, inject, type OnDestroy } from '@angular/core';
import type { Design } from '@hashira/core';
import { Drafts } from './drafts.service';
import { BehaviorSubject, Subject, exhaustMap, firstValueFrom, of, switchMap, timer } from 'rxjs';
import { ApiProblem, DesignApi } from './design-api.service';

/** Whether the design on the screen is on the server. */
export type SavingState =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'saving' }
  | ({ readonly kind: 'unsaved' | 'conflict'; readonly reason: string } & Kept);

/** Whether the browser keeps what is not on the server yet. */
interface Kept {
  readonly kept: boolean;
}

/** A change is saved so much later, so that those of one gesture go together; a silent server is asked again after the second, ms. */
const pause = 400;
const retryAfter = 3000;

/**
 * Saves the design a moment after the last change, over the revision it was based on. "Saved" is shown only after the
 * server has answered. A conflict stops saving until the user has decided; a silent server is asked again.
 */
@Injectable()
export class Saving implements OnDestroy {
  private readonly api = inject(DesignApi);
  private readonly subject = new BehaviorSubject<SavingState>({ kind: 'saved', revision: 0 });
  private id = '';
  private revision = 0;
  private stored: Design | undefined;
  private wanted: Design | undefined;
  private readonly drafts = inject(Drafts);
  /** The draft's store is used by one change after the other. */
  private keeping: Promise<unknown> = Promise.resolve();
  private kept = true;
  /** In how many ms it is to be saved; the latest counts. */
  private readonly due = new Subject<number>();

  readonly state$ = this.subject.asObservable();

  get state(): SavingState {
    return this.subject.value;
  }

  constructor() {
    // Not ended with the page: what waits then is still saved. One save at a time; what is changed meanwhile makes one due again
    this.due
      .pipe(
        switchMap((wait) => (wait === 0 ? of(0) : timer(wait))),
        exhaustMap(() => this.save()),
      )
      .subscribe();
  }

  /** Begins with a design as the server has it. */
  begin(id: string, revision: number, design: Design): void {
    this.id = id;
    this.revision = revision;
    this.stored = this.wanted = design;
    this.subject.next({ kind: 'saved', revision });
  }

  /** Takes note of a changed design. */
  changed(design: Design): void {
    this.wanted = design;
    // In the browser at once, on the server a moment later
    this.keepDraft(design);
    if (this.subject.value.kind === 'conflict') return;
    this.subject.next({ kind: 'saving' });
    this.due.next(pause);
  }

  /** Saves what waits without the pause. */
  flush(): void {
    if (this.wanted !== this.stored && this.subject.value.kind !== 'conflict') this.due.next(0);
  }

  /** Sends what waits with a request that outlives the page; the draft in the browser stays until an answer is seen. */
  leave(): void {
    if (this.wanted && this.wanted !== this.stored && this.subject.value.kind !== 'conflict')
      this.api.saveLeaving(this.id, this.revision, this.wanted);
  }

  ngOnDestroy(): void {
    this.flush();
  }

  private keepDraft(design: Design): void {
    const { id, revision } = this;
    this.keeping = this.keeping.then(async () => {
      this.kept = await this.drafts.keep(id, revision, design);
      const { value } = this.subject;
      if ('kept' in value && value.kept !== this.kept) this.subject.next({ ...value, kept: this.kept });
    });
  }

  /** The server has it: the draft is no longer needed, unless more was changed meanwhile. */
  private dropDraft(design: Design): void {
    const { id } = this;
    this.keeping = this.keeping.then(() => (this.wanted === design ? this.drafts.forget(id) : undefined));
  }

  private async save(): Promise<void> {
    const design = this.wanted;
    if (!design || design === this.stored) {
      this.subject.next({ kind: 'saved', revision: this.revision });
      return;
    }
    try {
      this.revision = await firstValueFrom(this.api.save(this.id, this.revision, design));
      this.stored = design;
      this.dropDraft(design);
      this.subject.next(
        this.wanted === design ? { kind: 'saved', revision: this.revision } : { kind: 'saving' },
      );
      this.saveAgainUnless(design);
    } catch (error) {
      await this.failed(error, design);
    }
  }

  /** What was changed while a save was on its way is due once that is over. */
  private saveAgainUnless(saved: Design): void {
    if (this.wanted !== saved) this.due.next(pause);
  }

  private async failed(error: unknown, design: Design): Promise<void> {
    if (!(error instanceof ApiProblem)) throw error;
    if (error.status === 412 && (await this.alreadyStored(design))) return;
    if (error.status === 412 || error.status === 404) {
      this.subject.next({ kind: 'conflict', reason: error.message, kept: this.kept });
      return;
    }
    this.subject.next({ kind: 'unsaved', reason: error.message, kept: this.kept });
    if (error.status === 0 || error.status >= 500) this.due.next(retryAfter);
  }

  /** An answer may have been lost on the way: then the server already has just what was sent. */
  private async alreadyStored(design: Design): Promise<boolean> {
    try {
      const current = await firstValueFrom(this.api.load(this.id));
      if (JSON.stringify(current.document) !== JSON.stringify(design)) return false;
      this.revision = current.revision;
      this.stored = design;
      this.dropDraft(design);
      this.subject.next({ kind: 'saved', revision: this.revision });
      this.saveAgainUnless(design);
      return true;
    } catch (error) {
      if (error instanceof ApiProblem) return false;
      throw error;
    }
  }
}
