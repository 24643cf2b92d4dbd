// Raised with every part of a report that is new, as core/Report/Document/Schema is: a page that does not know a part would
// delete it for everybody.
export const SCHEMA = 2;
