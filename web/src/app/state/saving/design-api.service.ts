import { HttpClient, HttpErrorResponse, HttpHeaders } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Design, DesignPreview, Problem } from '@hashira/core';
import { catchError, EMPTY, filter, map, mergeMap, of, throwError, type Observable } from 'rxjs';
import { Saves } from './saves.service';

/** A design in the list. */
export interface DesignSummary {
  readonly id: string;
  readonly title: string;
  readonly alternatives: number;
  readonly revision: number;
  readonly updatedAt: string;
  /** Title of the alternative that was decided for, and why. */
  readonly decided?: string | null;
  readonly decidedWhy?: string | null;
  /** Kept of this revision by the page that worked it out. */
  readonly preview?: DesignPreview;
  /** Why its stored document cannot be read, where that is so. */
  readonly unreadable?: string;
}

/** Designs that were deleted and can be brought back, for so many days. */
export interface DeletedDesigns {
  readonly keptDays: number;
  readonly designs: readonly (DesignSummary & { readonly deletedAt: string })[];
}

/** One save of a design. */
export interface RevisionSummary {
  readonly revision: number;
  /** The design's title then. */
  readonly title: string;
  readonly savedAt: string;
  /** Given to those that matter; they are never thinned. */
  readonly name: string | null;
  /** What it changed, in sentences; null of the first one and where it is not known. */
  readonly changed: readonly string[] | null;
}

/** A design as stored. */
export interface StoredDesign {
  readonly id: string;
  readonly revision: number;
  readonly document: Design;
}

/** An answer of the server that is not what was asked for, in words. */
export class ApiProblem extends Error {
  constructor(
    /** HTTP status; 0 when the server did not answer. */
    readonly status: number,
    message: string,
    /** What is wrong with a document, each with its place. */
    readonly problems: readonly Problem[] = [],
  ) {
    super(message);
  }
}

/** The designs on the server. Errors arrive as {@link ApiProblem}. */
@Injectable({ providedIn: 'root' })
export class DesignApi {
  private readonly http = inject(HttpClient);
  private readonly stream = inject(Saves);

  list(): Observable<DesignSummary[]> {
    return this.http.get<DesignSummary[]>('/api/designs').pipe(explained());
  }

  load(id: string): Observable<StoredDesign> {
    return this.http.get<StoredDesign>(`/api/designs/${id}`).pipe(explained());
  }

  /** Stores a new design; an unknown value is validated by the server. */
  create(document: unknown): Observable<StoredDesign> {
    return this.http.post<StoredDesign>('/api/designs', document).pipe(explained());
  }

  /** Reads a document without keeping it; an {@link ApiProblem} with `problems` where it is none. */
  read(document: unknown): Observable<Design> {
    return this.http.post<{ document: Design }>('/api/designs/read', document).pipe(
      map((answer) => answer.document),
      explained(),
    );
  }

  /** Saves over `revision`; an {@link ApiProblem} with status 412 when it is no longer the current one. */
  save(id: string, revision: number, document: Design): Observable<number> {
    return this.http
      .put<{ revision: number }>(`/api/designs/${id}`, document, { headers: ifMatch(revision) })
      .pipe(
        map((answer) => answer.revision),
        explained(),
      );
  }

  /** Keeps what the list shows of a design, of the revision that it was worked out of. */
  keepPreview(id: string, revision: number, preview: DesignPreview): Observable<unknown> {
    return this.http
      .put(`/api/designs/${id}/preview`, preview, { headers: ifMatch(revision) })
      .pipe(explained());
  }

  /** Saves while the page is left; there is nobody to hear the answer. */
  saveLeaving(id: string, revision: number, document: Design): void {
    const body = JSON.stringify(document);
    // Browsers let a request of up to 64 KiB outlive its page; a larger design stays in the browser's store
    if (body.length > 60_000) return;
    void fetch(`/api/designs/${id}`, {
      method: 'PUT',
      keepalive: true,
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
      body,
    }).catch(() => undefined);
  }

  /** Revisions of a design as they are saved, from whichever page; asked for by itself where some may have been missed. */
  saves(id: string): Observable<number> {
    return this.stream.messages$.pipe(
      mergeMap((message) =>
        'save' in message
          ? of(message.save).pipe(
              filter((save) => save.id === id),
              map(({ revision }) => revision),
            )
          : this.currentRevision(id),
      ),
    );
  }

  /** The revision that the server has; nothing where it does not answer, which its next answer tells. */
  private currentRevision(id: string): Observable<number> {
    return this.http.head(`/api/designs/${id}`, { observe: 'response' }).pipe(
      map(({ headers }) => Number(/^"(\d+)"$/.exec(headers.get('ETag') ?? '')?.[1])),
      filter((revision) => Number.isFinite(revision)),
      catchError(() => EMPTY),
    );
  }

  remove(id: string, revision: number): Observable<unknown> {
    return this.http
      .delete(`/api/designs/${id}`, { headers: ifMatch(revision).set(...meant) })
      .pipe(explained());
  }

  restore(id: string): Observable<StoredDesign> {
    return this.http
      .post<StoredDesign>(`/api/designs/${id}/restore`, null, { headers: new HttpHeaders().set(...meant) })
      .pipe(explained());
  }

  /** Deleted designs, the one deleted last first. */
  deleted(): Observable<DeletedDesigns> {
    return this.http.get<DeletedDesigns>('/api/designs/deleted').pipe(explained());
  }

  /** The kept revisions of a design, the latest first. */
  revisions(id: string): Observable<RevisionSummary[]> {
    return this.http.get<RevisionSummary[]>(`/api/designs/${id}/revisions`).pipe(explained());
  }

  revision(id: string, revision: number): Observable<RevisionSummary & { readonly document: Design }> {
    return this.http
      .get<RevisionSummary & { readonly document: Design }>(`/api/designs/${id}/revisions/${revision}`)
      .pipe(explained());
  }

  /** Names a revision; null takes its name away. */
  nameRevision(id: string, revision: number, name: string | null): Observable<unknown> {
    return this.http.put(`/api/designs/${id}/revisions/${revision}`, { name }).pipe(explained());
  }

  duplicate(id: string): Observable<StoredDesign> {
    return this.http
      .post<StoredDesign>(`/api/designs/${id}/duplicate`, null, { headers: new HttpHeaders().set(...meant) })
      .pipe(explained());
  }
}

/** Says that a change without a body comes from this page. */
const meant = ['X-Hashira', 'page'] as const;

function ifMatch(revision: number): HttpHeaders {
  return new HttpHeaders({ 'If-Match': `"${revision}"` });
}

function explained<T>(): (source: Observable<T>) => Observable<T> {
  return catchError((error: unknown) => {
    if (!(error instanceof HttpErrorResponse)) return throwError(() => error);
    if (error.status === 0)
      return throwError(() => new ApiProblem(0, 'The server does not answer; it may have been stopped.'));
    const { detail, problems } = (error.error ?? {}) as { detail?: string; problems?: readonly Problem[] };
    return throwError(
      () => new ApiProblem(error.status, detail ?? `The server answered ${error.status}.`, problems),
    );
  });
}
