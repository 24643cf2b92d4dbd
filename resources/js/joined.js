// One component of several parts: getters stay getters, which a plain copy would read once.
export const joined = (...parts) =>
    Object.defineProperties({}, Object.assign({}, ...parts.map((part) => Object.getOwnPropertyDescriptors(part))));
