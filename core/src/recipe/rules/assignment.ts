import type { Hinges, Load, Member, MemberDesign, Support, TrainLoad } from '../../model/types.js';
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
  readonly restraints = new Map<string, ReadonlySet<string>>();
  /** Groups of lines that rules make one physical member: name by line. */
  readonly groups = new Map<string, string>();
  readonly supports = new Map<string, Support>();
  /** By member, then end. */
  readonly hinges = new Map<string, { start?: Hinges; end?: Hinges }>();
  readonly loads = new Map<string, Load[]>();
  readonly masses = new Map<string, number>();
  readonly trains: TrainLoad[] = [];
  readonly notes: Note[] = [];
  /** Rule that holds each thing that was given: by member or node id, then what it is. */
  private readonly holders = new Map<string, Map<string, string>>();
  /** Things that each rule gave, held or not. */
  private readonly given = new Map<string, { total: number; added: boolean }>();

  /** Notes that a rule gave something to a part; a later rule takes its place. */
  credit(part: string, what: string, rule: string): void {
    let own = this.holders.get(part);
    if (!own) this.holders.set(part, (own = new Map<string, string>()));
    own.set(what, rule);
    this.count(rule).total++;
  }

  /** Notes that a rule added something, which no later rule takes away. */
  creditAdded(part: string, what: string, rule: string): void {
    this.credit(part, `${what} ${rule}`, rule);
    this.count(rule).added = true;
  }

  private count(rule: string): { total: number; added: boolean } {
    let count = this.given.get(rule);
    if (!count) this.given.set(rule, (count = { total: 0, added: false }));
    return count;
  }

  /** Rules that gave a part something that still holds, by what they gave. */
  givenTo(part: string): ReadonlyMap<string, string> {
    return this.holders.get(part) ?? new Map();
  }

  /** Rules of which nothing is left, with those that took their place. */
  overridden(): { rule: string; by: string[] }[] {
    const left = new Set<string>();
    for (const own of this.holders.values()) for (const rule of own.values()) left.add(rule);
    return [...this.given]
      .filter(([rule, { added, total }]) => !added && total > 0 && !left.has(rule))
      .map(([rule]) => ({ rule, by: [] }));
  }

  addLoad(loadCase: string, load: Load): void {
    const list = this.loads.get(loadCase);
    if (list) list.push(load);
    else this.loads.set(loadCase, [load]);
  }
}
