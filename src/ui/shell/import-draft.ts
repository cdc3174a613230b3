/** Where the text that is being brought in waits, so that a reload or a look at the preview loses nothing. */
export const IMPORT_DRAFT = "rondeau.import.draft";
