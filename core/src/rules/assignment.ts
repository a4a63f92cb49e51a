import type { Flange, Hinges, Load, Member, MemberDesign, Support, TrainLoad } from '../model/types.js';
import type { Note } from '../geometry/geometry.js';

/** What the rules gave to members and nodes so far, and which rule gave what. */
export class Assignment {
  readonly section = new Map<string, string>();
  readonly material = new Map<string, string>();
  readonly action = new Map<string, NonNullable<Member['action']>>();
  /** rad */
  readonly roll = new Map<string, number>();
  /** What the checks take for a member. */
  readonly design = new Map<string, MemberDesign>();
  /** Condition on nodes that restrain a member's flange: the nodes found. */
  readonly restraints = new Map<string, Partial<Record<Flange, ReadonlySet<string>>>>();
  /** Groups of lines that rules make one physical member: name by line. */
  readonly groups = new Map<string, string>();
  readonly supports = new Map<string, Support>();
  /** By member, then end. */
  readonly hinges = new Map<string, { start?: Hinges; end?: Hinges }>();
  readonly loads = new Map<string, Load[]>();
  readonly masses = new Map<string, number>();
  readonly trains: TrainLoad[] = [];
  readonly notes: Note[] = [];
  /** Rule that holds each thing that was given: by what it is, then by member or node id. */
  private readonly holders = new Map<string, Map<string, string>>();
  /** What rules gave and later ones took over: part and thing, by the earlier rule. */
  private readonly lost = new Map<string, { readonly part: string; readonly what: string }[]>();
  /** Rules that gave something that a later one can take over. */
  private readonly given = new Set<string>();
  /** Rules that added something, which no later rule takes away: by rule, what was added to which member or node. */
  private readonly added = new Map<string, Map<string, string>>();

  /** Notes that a rule gave something to a part; a later rule takes its place. */
  credit(part: string, what: string, rule: string): void {
    let holding = this.holders.get(what);
    if (!holding) this.holders.set(what, (holding = new Map<string, string>()));
    const before = holding.get(part);
    if (before !== undefined && before !== rule) this.lose(before, part, what);
    holding.set(part, rule);
    this.given.add(rule);
  }

  /** Notes that a rule added something, which no later rule takes away. */
  creditAdded(part: string, what: string, rule: string): void {
    let own = this.added.get(rule);
    if (!own) this.added.set(rule, (own = new Map<string, string>()));
    own.set(part, what);
  }

  private lose(rule: string, part: string, what: string): void {
    const list = this.lost.get(rule);
    if (list) list.push({ part, what });
    else this.lost.set(rule, [{ part, what }]);
  }

  /** Of each rule that later ones override in part or wholly: which hold its members or nodes now, and how many. */
  overrides(): Map<string, Map<string, number>> {
    const out = new Map<string, Map<string, number>>();
    for (const [rule, things] of this.lost) {
      const parts = new Map<string, Set<string>>();
      for (const { part, what } of things) {
        const holder = this.holders.get(what)!.get(part)!;
        parts.set(holder, (parts.get(holder) ?? new Set()).add(part));
      }
      out.set(rule, new Map([...parts].map(([holder, set]) => [holder, set.size])));
    }
    return out;
  }

  /** Rules that gave a part something that still holds, by what they gave. */
  givenTo(part: string): ReadonlyMap<string, string> {
    const own = new Map<string, string>();
    for (const [what, holding] of this.holders) {
      const rule = holding.get(part);
      if (rule !== undefined) own.set(what, rule);
    }
    for (const [rule, parts] of this.added) {
      const what = parts.get(part);
      if (what !== undefined) own.set(`${what} ${rule}`, rule);
    }
    return own;
  }

  /** Rules of which nothing is left, with those that took their place. */
  overridden(): { rule: string; by: string[] }[] {
    const left = new Set<string>();
    for (const holding of this.holders.values()) for (const rule of holding.values()) left.add(rule);
    const takers = this.overrides();
    return [...this.given]
      .filter((rule) => !this.added.has(rule) && !left.has(rule))
      .map((rule) => ({ rule, by: [...(takers.get(rule)?.keys() ?? [])] }));
  }

  addLoad(loadCase: string, load: Load): void {
    const list = this.loads.get(loadCase);
    if (list) list.push(load);
    else this.loads.set(loadCase, [load]);
  }
}
