// A disk that can be cut off: records what a process writes and syncs below a directory, and builds the states that a power cut could have left.
// What was synced is there. Of what was not, any part may be: each write to a file by itself, whole or up to a sector; of the names in a directory
// the first so many changes. (After Pillai et al., "All File Systems Are Not Created Equal", OSDI 2014; names are taken more strictly than ext4 does.)
import fs from "node:fs";
import { syncBuiltinESMExports } from "node:module";
import path from "node:path";

type Content = { readonly at: number; readonly bytes: Uint8Array } | { readonly size: number };

interface FileNode {
  readonly kind: "file";
  durable: Uint8Array;
  size: number;
  /** The bytes are this state's own and may be written in place. */
  owned?: boolean;
  pending: Content[];
}
interface DirectoryNode {
  readonly kind: "directory";
  names: Map<string, number>;
  pending: NameChange[];
}
type NameChange = ({ readonly put: string; readonly node: number } | { readonly drop: string }) & { readonly in?: number };

type Op =
  | { readonly op: "make"; readonly node: number; readonly kind: "file" | "directory" }
  | { readonly op: "name"; readonly directory: number; readonly changes: readonly NameChange[] }
  | { readonly op: "content"; readonly node: number; readonly change: Content }
  | { readonly op: "sync"; readonly node: number };

const SECTOR = 512;

/** Names are changed together: a rename is there or it is not. */
type Pending = readonly NameChange[];

export class CutDisk {
  readonly ops: Op[] = [];
  readonly #start = new Map<number, FileNode | DirectoryNode>();
  readonly #byPath = new Map<string, number>();
  readonly #handles = new Map<number, { node: number; at: number }>();
  #next = 1;
  #stop: (() => void) | undefined;

  /** @param root what is there already counts as on disk */
  constructor(readonly root: string) {
    this.#take(root);
  }

  #take(file: string): number {
    const node = this.#next++;
    this.#byPath.set(file, node);
    if (fs.statSync(file).isDirectory()) {
      const names = new Map<string, number>();
      this.#start.set(node, { kind: "directory", names, pending: [] });
      for (const name of fs.readdirSync(file)) names.set(name, this.#take(path.join(file, name)));
    } else {
      const durable = new Uint8Array(fs.readFileSync(file));
      this.#start.set(node, { kind: "file", durable, size: durable.length, pending: [] });
    }
    return node;
  }

  #within(file: unknown): file is string {
    return typeof file === "string" && (file === this.root || file.startsWith(`${this.root}/`));
  }

  #named(file: string, changes: readonly NameChange[]): void {
    const directory = this.#byPath.get(path.dirname(file));
    if (directory !== undefined) this.ops.push({ op: "name", directory, changes });
  }

  #make(file: string, kind: "file" | "directory"): number {
    const node = this.#next++;
    this.#byPath.set(file, node);
    this.ops.push({ op: "make", node, kind });
    this.#named(file, [{ put: path.basename(file), node }]);
    return node;
  }

  #content(node: number | undefined, change: Content): void {
    if (node !== undefined) this.ops.push({ op: "content", node, change });
  }

  #gone(file: string): void {
    for (const known of [...this.#byPath.keys()]) if (known === file || known.startsWith(`${file}/`)) this.#byPath.delete(known);
    this.#named(file, [{ drop: path.basename(file) }]);
  }

  /** From now on everything below the root is recorded. */
  record(): void {
    const real = { ...fs };
    const patched: string[] = [];
    const patch = <K extends keyof typeof fs>(name: K, make: (before: (typeof fs)[K]) => unknown) => {
      patched.push(name as string);
      (fs as unknown as Record<string, unknown>)[name as string] = make(real[name]);
    };
    // biome-ignore lint/suspicious/noExplicitAny: the functions of fs have many shapes
    type Any = any;
    patch("openSync", (open: Any) => (file: string, flags: Any, ...more: Any[]) => {
      if (!this.#within(file)) return open(file, flags, ...more);
      const there = real.existsSync(file);
      const handle = open(file, flags, ...more);
      const node = there ? this.#byPath.get(file) : this.#make(file, "file");
      const truncates = typeof flags === "number" ? (flags & fs.constants.O_TRUNC) !== 0 : /^w/.test(String(flags ?? "r"));
      if (there && truncates) this.#content(node, { size: 0 });
      if (node !== undefined) this.#handles.set(handle, { node, at: 0 });
      return handle;
    });
    patch("closeSync", (close: Any) => (handle: number) => {
      this.#handles.delete(handle);
      return close(handle);
    });
    patch("writeSync", (write: Any) => (handle: number, data: Any, ...more: Any[]) => {
      const count = write(handle, data, ...more);
      const open = this.#handles.get(handle);
      if (open) {
        const text = typeof data === "string";
        const [offset, , position] = text ? [0, 0, more[0]] : [more[0] ?? 0, more[1], more[2]];
        const all = text ? Buffer.from(data) : new Uint8Array(data.buffer, data.byteOffset, data.byteLength);
        const at = typeof position === "number" ? position : open.at;
        if (typeof position !== "number") open.at += count;
        this.#content(open.node, { at, bytes: all.slice(offset, offset + count) });
      }
      return count;
    });
    patch("fsyncSync", (sync: Any) => (handle: number) => {
      sync(handle);
      const open = this.#handles.get(handle);
      if (open) this.ops.push({ op: "sync", node: open.node });
    });
    patch("ftruncateSync", (truncate: Any) => (handle: number, size = 0) => {
      truncate(handle, size);
      this.#content(this.#handles.get(handle)?.node, { size });
    });
    patch("truncateSync", (truncate: Any) => (file: Any, size = 0) => {
      truncate(file, size);
      this.#content(typeof file === "number" ? this.#handles.get(file)?.node : this.#byPath.get(file), { size });
    });
    patch("writeFileSync", (write: Any) => (file: Any, data: Any, ...more: Any[]) => {
      const there = this.#within(file) && real.existsSync(file);
      write(file, data, ...more);
      if (!this.#within(file)) return;
      const node = there ? this.#byPath.get(file) : this.#make(file, "file");
      if (there) this.#content(node, { size: 0 });
      const bytes = typeof data === "string" ? Buffer.from(data) : new Uint8Array(data);
      if (bytes.length) this.#content(node, { at: 0, bytes });
    });
    patch("mkdirSync", (mkdir: Any) => (file: Any, ...more: Any[]) => {
      const missing: string[] = [];
      for (let at = file; this.#within(at) && !real.existsSync(at); at = path.dirname(at)) missing.unshift(at);
      const made = mkdir(file, ...more);
      for (const at of missing) this.#make(at, "directory");
      return made;
    });
    patch("renameSync", (rename: Any) => (from: Any, to: Any) => {
      rename(from, to);
      if (!this.#within(from) || !this.#within(to)) return;
      for (const known of [...this.#byPath.keys()]) if (known === to || known.startsWith(`${to}/`)) this.#byPath.delete(known);
      const moved = [...this.#byPath].filter(([known]) => known === from || known.startsWith(`${from}/`));
      for (const [known, node] of moved) {
        this.#byPath.delete(known);
        this.#byPath.set(to + known.slice(from.length), node);
      }
      const node = this.#byPath.get(to);
      if (node === undefined) return;
      const left = this.#byPath.get(path.dirname(from));
      this.#named(to, [
        { drop: path.basename(from), ...(left === undefined ? {} : { in: left }) },
        { put: path.basename(to), node },
      ]);
    });
    for (const name of ["unlinkSync", "rmdirSync", "rmSync"] as const)
      patch(name, (remove: Any) => (file: Any, ...more: Any[]) => {
        const there = this.#within(file) && real.existsSync(file);
        remove(file, ...more);
        if (there) this.#gone(file);
      });
    patch("cpSync", (copy: Any) => (from: Any, to: Any, ...more: Any[]) => {
      copy(from, to, ...more);
      if (this.#within(to)) this.#copied(to);
    });
    syncBuiltinESMExports();
    this.#stop = () => {
      for (const name of patched) (fs as unknown as Record<string, unknown>)[name] = (real as unknown as Record<string, unknown>)[name];
      syncBuiltinESMExports();
    };
  }

  #copied(file: string): void {
    const directory = fs.lstatSync(file).isDirectory();
    const node = this.#byPath.get(file) ?? this.#make(file, directory ? "directory" : "file");
    if (directory) for (const name of fs.readdirSync(file)) this.#copied(path.join(file, name));
    else this.#content(node, { at: 0, bytes: new Uint8Array(fs.readFileSync(file)) });
  }

  stop(): void {
    this.#stop?.();
    this.#stop = undefined;
  }

  /**
   * Writes the state that a cut after so many operations may have left.
   * @param random from 0 to 1, to choose what of the unsynced was written
   */
  build(target: string, cut: number, random: () => number): void {
    const nodes = new Map<number, FileNode | DirectoryNode>();
    for (const [id, node] of this.#start)
      nodes.set(id, node.kind === "file" ? { ...node, pending: [] } : { kind: "directory", names: new Map(node.names), pending: [] });
    const groups = new Map<number, Pending[]>();
    for (const op of this.ops.slice(0, cut)) {
      if (op.op === "make")
        nodes.set(
          op.node,
          op.kind === "file"
            ? { kind: "file", durable: new Uint8Array(0), size: 0, pending: [] }
            : { kind: "directory", names: new Map(), pending: [] },
        );
      else if (op.op === "name") groups.set(op.directory, [...(groups.get(op.directory) ?? []), op.changes]);
      else if (op.op === "content") (nodes.get(op.node) as FileNode).pending.push(op.change);
      else {
        const node = nodes.get(op.node);
        if (node?.kind === "file") {
          for (const change of node.pending) apply(node, change);
          node.pending = [];
        } else if (node) {
          for (const changes of groups.get(op.node) ?? []) for (const change of changes) rename(nodes, op.node, change);
          groups.delete(op.node);
        }
      }
    }
    // In order, or any of them: as a disk that writes in order, or one that does not.
    const inOrder = random() < 0.3;
    const share = [0, 0.5, 1][Math.floor(random() * 3)] as number;
    for (const node of nodes.values()) {
      if (node.kind !== "file") continue;
      const kept = inOrder
        ? node.pending.slice(0, Math.floor(random() * (node.pending.length + 1)))
        : node.pending.filter(() => random() < share);
      for (const change of kept) apply(node, "bytes" in change && random() < 0.1 ? torn(change, random) : change);
    }
    for (const [id, pending] of groups) {
      const directory = nodes.get(id);
      if (directory?.kind !== "directory") continue;
      for (const changes of pending.slice(0, Math.floor(random() * (pending.length + 1))))
        for (const change of changes) rename(nodes, id, change);
    }
    write(nodes, 1, target);
  }
}

function torn(change: { readonly at: number; readonly bytes: Uint8Array }, random: () => number): Content {
  const sectors = Math.floor(change.bytes.length / SECTOR);
  return sectors < 2 ? change : { at: change.at, bytes: change.bytes.subarray(0, SECTOR * (1 + Math.floor(random() * (sectors - 1)))) };
}

function apply(node: FileNode, change: Content): void {
  const size = "size" in change ? change.size : Math.max(node.size, change.at + change.bytes.length);
  if (!node.owned || node.durable.length < size) {
    const room = new Uint8Array(node.owned ? Math.max(size, 2 * node.durable.length) : size);
    room.set(node.durable.subarray(0, Math.min(node.size, size)));
    [node.durable, node.owned] = [room, true];
  }
  if ("size" in change) node.durable.fill(0, Math.min(node.size, size), node.durable.length);
  else node.durable.set(change.bytes, change.at);
  node.size = size;
}

/** A rename from one directory to another is one change, kept with the one that it goes to. */
function rename(nodes: ReadonlyMap<number, FileNode | DirectoryNode>, at: number, change: NameChange): void {
  const directory = nodes.get(change.in ?? at);
  if (directory?.kind !== "directory") return;
  if ("put" in change) directory.names.set(change.put, change.node);
  else directory.names.delete(change.drop);
}

function write(nodes: ReadonlyMap<number, FileNode | DirectoryNode>, id: number, target: string): void {
  const node = nodes.get(id);
  if (!node) return;
  if (node.kind === "file") {
    fs.writeFileSync(target, node.durable.subarray(0, node.size));
    return;
  }
  fs.mkdirSync(target, { recursive: true });
  for (const [name, child] of node.names) write(nodes, child, path.join(target, name));
}
