/** A document of version 1, as far as the upgrade reads it. */
interface Version1 {
  readonly steps?: readonly Record<string, unknown>[];
  readonly rules?: readonly RuleV1[];
  readonly loadCases?: readonly Record<string, unknown>[];
  readonly choices?: readonly ChoiceV1[];
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

interface ChoiceV1 {
  readonly id?: string;
  readonly options?: readonly { readonly id?: string; readonly changes?: ChangesV1 }[];
}

interface ChangesV1 {
  readonly parameters?: Record<string, string>;
  readonly steps?: Record<string, Record<string, unknown>>;
  readonly rules?: readonly RuleV1[];
}

/**
 * Version 1 to 2: rules name what they select (`members` or `nodes`) and give things directly; load cases have a `category`; options
 * patch by id, so that a rule that replaced another one switches it off; eaves are unchanged; the nine figures that version 1 always had are named in the document.
 */
export function upgradeFrom1(document: object): object {
  const old = document as Version1;
  const flat = (old.steps ?? []).some(({ roof }) => roof === 'flat');
  const rules = (old.rules ?? []).flatMap((rule) => ruleFrom1(rule, flat));
  return {
    ...document,
    version: 2,
    rules,
    loadCases: (old.loadCases ?? []).map(({ nature, ...rest }) => ({ ...rest, category: nature })),
    choices: choicesFrom1(old, rules, flat),
    figures: figuresOf1,
  };
}

/** What version 1 gave to nodes by supports and hinges, and to members by everything else; a rule with both becomes two. */
function ruleFrom1({ id, title, where, set, support, hinge, load }: RuleV1, flat: boolean): RuleV2[] {
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

/** A rule of version 2, as far as the upgrade makes it. */
type RuleV2 = { readonly id: string } & Readonly<Record<string, unknown>>;

/** Rules of version 2 that stand for one rule of version 1, by its id: those of the document and of the options of earlier choices. */
type StandingRules = Map<string, RuleV2[]>;

function choicesFrom1(
  { choices = [], rules: own = [] }: Version1,
  rules: readonly RuleV2[],
  flat: boolean,
): object[] {
  const standing: StandingRules = new Map(
    own.map(({ id }) => [id, rules.filter((rule) => rule.id === id || rule.id === `${id}-members`)]),
  );
  return choices.map((choice, c) => {
    const added: StandingRules = new Map();
    const options = (choice.options ?? []).map((option, o) => {
      const { parameters, steps, rules: replacing } = option.changes ?? {};
      const name = `${choice.id ?? c}-${option.id ?? o}`;
      return {
        ...option,
        changes: {
          ...(parameters ? { parameters } : {}),
          ...(steps ? { steps: Object.entries(steps).map(([id, fields]) => ({ id, ...fields })) } : {}),
          ...(replacing
            ? { rules: replacing.flatMap((rule) => replacementFrom1(rule, flat, standing, { name, added })) }
            : {}),
        },
      };
    });
    // Options of one choice exclude each other; those of a later one replace whichever was picked
    for (const [id, more] of added) standing.set(id, [...(standing.get(id) ?? []), ...more]);
    return { ...choice, options };
  });
}

/**
 * A rule of an option. In version 1 it replaced one of its id as a whole; a patch keeps the fields that it does not name. Where there are
 * such fields the old rule is switched off, and the new one stands behind it under a name of its own.
 */
function replacementFrom1(
  rule: RuleV1,
  flat: boolean,
  standing: StandingRules,
  { name, added }: { readonly name: string; readonly added: StandingRules },
): object[] {
  const replaced = standing.get(rule.id) ?? [];
  const made = ruleFrom1(rule, flat);
  const isWhole =
    replaced.length <= 1 &&
    made.length === 1 &&
    replaced.every(
      (old) => old.id === made[0]!.id && Object.keys(old).every((key) => key === 'title' || key in made[0]!),
    );
  if (isWhole) {
    const more = Object.keys(made[0]!).some((key) => !replaced.some((old) => key in old));
    if (more) added.set(rule.id, [...(added.get(rule.id) ?? []), ...made]);
    return made;
  }
  const after = replaced[0]!.id;
  const own = made.map((one) => ({ ...one, id: `${one.id}-${name}` }));
  added.set(rule.id, [...(added.get(rule.id) ?? []), ...own]);
  // Where the earlier option is not picked, its rule is added switched off and gives nothing
  return [...replaced.map((old) => ({ ...old, off: true })), ...own.map((one) => ({ ...one, after }))];
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
