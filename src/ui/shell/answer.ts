// What the server answers a page.
export interface Answer {
  readonly ok: boolean;
  readonly status: number;
  readonly body: { message?: string; problems?: readonly { path: string; message: string; severity: string }[]; [key: string]: unknown };
}
