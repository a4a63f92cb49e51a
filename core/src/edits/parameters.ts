import { withoutKey } from './records.js';
import { mapExpressions, renamedIn } from './expressions.js';
import { withFields } from './lists.js';
import type { Alternative, Design, Parameter } from '../document/types.js';

function changeParameter(design: Design, name: string, change: (parameter: Parameter) => Parameter): Design {
  return { ...design, parameters: design.parameters.map((p) => (p.name === name ? change(p) : p)) };
}

export function changeAlternative(
  design: Design,
  id: string,
  change: (alternative: Alternative) => Alternative,
): Design {
  return { ...design, alternatives: design.alternatives.map((a) => (a.id === id ? change(a) : a)) };
}

/** Sets a parameter for all alternatives; values of their own that alternatives have stay. */
export function setParameter(design: Design, name: string, value: string): Design {
  return changeParameter(design, name, (parameter) => ({ ...parameter, value }));
}

/** Sets other fields of a parameter (title, group, min, max, step); `undefined` takes one away. */
export function setParameterFields(
  design: Design,
  name: string,
  fields: Readonly<Partial<Record<'title' | 'group' | 'min' | 'max' | 'step', string | undefined>>>,
): Design {
  return changeParameter(design, name, (parameter) => withFields(parameter, fields));
}

/** Sets a parameter in one alternative only. */
export function setOwnParameter(design: Design, id: string, name: string, value: string): Design {
  return changeAlternative(design, id, (alternative) => ({
    ...alternative,
    parameters: { ...alternative.parameters, [name]: value },
  }));
}

/** Drops an alternative's own value of a parameter, so that it follows the design again. */
export function dropOwnParameter(design: Design, id: string, name: string): Design {
  return changeAlternative(design, id, ({ parameters, ...alternative }) => {
    const rest = withoutKey(parameters, name);
    return Object.keys(rest).length > 0 ? { ...alternative, parameters: rest } : alternative;
  });
}

/** Sets a value in one alternative, or for all. */
export function setValue(design: Design, name: string, value: string, alternative?: string): Design {
  return alternative === undefined
    ? setParameter(design, name, value)
    : setOwnParameter(design, alternative, name, value);
}

/** Adds a parameter at a place, at the end without one; nothing changes if its name is taken. */
export function addParameter(design: Design, parameter: Parameter, index = design.parameters.length): Design {
  if (design.parameters.some(({ name }) => name === parameter.name)) return design;
  const parameters = [...design.parameters];
  parameters.splice(index, 0, parameter);
  return { ...design, parameters };
}

/** Removes a parameter with the values that alternatives and options give it; its uses stay and are reported as unknown names. */
export function removeParameter(design: Design, name: string): Design {
  return {
    ...design,
    parameters: design.parameters.filter((p) => p.name !== name),
    alternatives: design.alternatives.map((a) => {
      if (!a.parameters || !Object.hasOwn(a.parameters, name)) return a;
      const { parameters, ...rest } = a;
      const left = withoutKey(parameters, name);
      return Object.keys(left).length > 0 ? { ...rest, parameters: left } : rest;
    }),
    choices: design.choices.map((choice) => ({
      ...choice,
      options: choice.options.map((option) =>
        option.changes.parameters && Object.hasOwn(option.changes.parameters, name)
          ? {
              ...option,
              changes: { ...option.changes, parameters: withoutKey(option.changes.parameters, name) },
            }
          : option,
      ),
    })),
  };
}

/** Renames a parameter and every use of it; nothing changes if the new name is taken. */
export function renameParameter(design: Design, from: string, to: string): Design {
  if (from === to || design.parameters.some(({ name }) => name === to)) return design;
  const renamedKeys = (values: Record<string, string> | undefined) =>
    values &&
    Object.fromEntries(Object.entries(values).map(([name, value]) => [name === from ? to : name, value]));
  const named: Design = {
    ...design,
    parameters: design.parameters.map((p) => (p.name === from ? { ...p, name: to } : p)),
    alternatives: design.alternatives.map((a) =>
      a.parameters ? { ...a, parameters: renamedKeys(a.parameters)! } : a,
    ),
    choices: design.choices.map((choice) => ({
      ...choice,
      options: choice.options.map((option) =>
        option.changes.parameters
          ? { ...option, changes: { ...option.changes, parameters: renamedKeys(option.changes.parameters)! } }
          : option,
      ),
    })),
  };
  return mapExpressions(named, (text) => renamedIn(text, from, to));
}
