/** A change that cannot be made, with why and what to do in a cook's words. Thrown by the edits; nothing has changed then. */
export class EditRefused extends Error {
  constructor(because: string) {
    super(because);
    this.name = "EditRefused";
  }
}
