// Plurals and singulars of English words, with what cooks write otherwise.
import pluralize from "pluralize";

pluralize.addSingularRule(/chillies$/i, "chilli");
pluralize.addSingularRule(/chilies$/i, "chili");

/** @example plural("bunch") // "bunches" */
export const plural = (word: string): string => pluralize.plural(word);

/** @example singular("loaves") // "loaf" */
export const singular = (word: string): string => pluralize.singular(word);
