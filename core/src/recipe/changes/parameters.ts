import type { Alternative, Design } from '../types.js';

/** Sets a parameter for all alternatives; values of their own that alternatives have stay. */
export function setParameter(design: Design, name: string, value: string): Design {
  return {
    ...design,
    parameters: design.parameters.map((p) => (p.name === name ? { ...p, value } : p)),
  };
}

/** Sets a parameter in one alternative only. */
export function setOwnParameter(design: Design, alternativeId: string, name: string, value: string): Design {
  return changeAlternative(design, alternativeId, (alternative) => ({
    ...alternative,
    parameters: { ...alternative.parameters, [name]: value },
  }));
}

/** Lets an alternative follow the design again in one parameter. */
export function dropOwnParameter(design: Design, alternativeId: string, name: string): Design {
  return changeAlternative(design, alternativeId, (alternative) => {
    const { [name]: _dropped, ...rest } = alternative.parameters ?? {};
    const { parameters: _all, ...others } = alternative;
    return Object.keys(rest).length > 0 ? { ...others, parameters: rest } : others;
  });
}

/** Replaces one alternative by what `change` makes of it. */
export function changeAlternative(
  design: Design,
  id: string,
  change: (alternative: Alternative) => Alternative,
): Design {
  return { ...design, alternatives: design.alternatives.map((a) => (a.id === id ? change(a) : a)) };
}
