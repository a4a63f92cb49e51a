/** A document of version 1, as far as the upgrade reads it. */
interface Version1 {
  readonly steps?: readonly Record<string, unknown>[];
  readonly rules?: readonly RuleV1[];
  readonly loadCases?: readonly Record<string, unknown>[];
  readonly choices?: readonly { readonly options?: readonly { readonly changes?: ChangesV1 }[] }[];
}

interface RuleV1 {
  readonly id: string;
  readonly title?: string;
  readonly where: string;
  readonly set?: Record<string, unknown>;
  readonly support?: unknown;
  readonly hinge?: unknown;
  readonly load?: Record<string, unknown>;
}

interface ChangesV1 {
  readonly parameters?: Record<string, string>;
  readonly steps?: Record<string, Record<string, unknown>>;
  readonly rules?: readonly RuleV1[];
}

/**
 * Version 1 to 2: rules name what they select (`members` or `nodes`) and give things directly; load cases have a `category`; options
 * patch by id; eaves are unchanged; the nine figures that version 1 always had are named in the document.
 */
export function upgradeFrom1(document: object): object {
  const old = document as Version1;
  const flat = new Set((old.steps ?? []).filter(({ roof }) => roof === 'flat').map(({ id }) => id));
  return {
    ...document,
    version: 2,
    rules: (old.rules ?? []).flatMap((rule) => ruleFrom1(rule, flat.size > 0)),
    loadCases: (old.loadCases ?? []).map(({ nature, ...rest }) => ({ ...rest, category: nature })),
    choices: (old.choices ?? []).map((choice) => ({
      ...choice,
      options: (choice.options ?? []).map((option) => ({
        ...option,
        changes: changesFrom1(option.changes ?? {}, flat.size > 0),
      })),
    })),
    figures: figuresOf1,
  };
}

/** What version 1 gave to nodes by supports and hinges, and to members by everything else; a rule with both becomes two. */
function ruleFrom1({ id, title, where, set, support, hinge, load }: RuleV1, flat: boolean): object[] {
  const head = { ...(title === undefined ? {} : { title }) };
  const nodes =
    support !== undefined || hinge !== undefined
      ? [
          {
            id,
            ...head,
            nodes: where,
            ...(support === undefined ? {} : { support }),
            ...(hinge === undefined ? {} : { hinge }),
          },
        ]
      : [];
  const gives = { ...set, ...(load ? { load: { kind: 'line', ...load } } : {}) };
  // A flat roof's members were rafters; now they are beams
  const condition = flat
    ? where.replaceAll('role == "rafter"', '(role == "rafter" or role == "beam")')
    : where;
  const members =
    Object.keys(gives).length > 0
      ? [{ id: nodes.length > 0 ? `${id}-members` : id, ...head, members: condition, ...gives }]
      : [];
  return [...nodes, ...members];
}

function changesFrom1({ parameters, steps, rules }: ChangesV1, flat: boolean): object {
  return {
    ...(parameters ? { parameters } : {}),
    ...(steps ? { steps: Object.entries(steps).map(([id, fields]) => ({ id, ...fields })) } : {}),
    ...(rules ? { rules: rules.flatMap((rule) => ruleFrom1(rule, flat)) } : {}),
  };
}

const figuresOf1 = [
  { id: 'mass', title: 'Steel mass', kind: 'mass' },
  { id: 'sway', title: 'Eaves sway', kind: 'displacement', nodes: 'place == "eaves"', component: 'ux' },
  {
    id: 'deflection',
    title: 'Apex deflection',
    kind: 'displacement',
    nodes: 'place == "apex"',
    component: 'uz',
  },
  { id: 'column-moment', title: 'Moment in columns', kind: 'moment', members: 'role == "column"' },
  {
    id: 'rafter-moment',
    title: 'Moment in rafters',
    kind: 'moment',
    members: 'role == "rafter" or role == "beam"',
  },
  {
    id: 'base-moment',
    title: 'Moment at the base',
    kind: 'reaction',
    nodes: 'place == "base"',
    component: 'ry',
  },
  {
    id: 'horizontal-reaction',
    title: 'Horizontal reaction',
    kind: 'reaction',
    nodes: 'place == "base"',
    component: 'ux',
  },
  {
    id: 'vertical-reaction',
    title: 'Vertical reaction',
    kind: 'reaction',
    nodes: 'place == "base"',
    component: 'uz',
  },
  { id: 'utilisation', title: 'Utilisation', kind: 'utilisation', limit: 1 },
];
