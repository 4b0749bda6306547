import { same, type Json } from '@alfombra/core';
import { sendWrite } from '@/api/sync/sendWrite';
import { Outbox, type FlushEnd } from '@/state/sync/outbox';
import type { OutboxDatabase } from '@/state/sync/outboxDatabase';
import { pendingBody } from '@/state/sync/overlay';
import { isSetAside, type PendingWrite } from '@/state/sync/pendingWrite';

/** Fields of a customer that people write at random. */
export const FIELDS = ['name', 'phone', 'note'] as const;
export type Field = (typeof FIELDS)[number];
type Body = Record<Field, string> & { [key: string]: Json };

/** What may happen to one request on its way. */
export type Weather =
  | 'ok'
  /** It does not arrive. */
  | 'cut'
  /** It arrives, and the answer does not. */
  | 'lost'
  /** The server fails and has changed nothing. */
  | 'sick'
  /** It is taken, and something in between says that the server failed. */
  | 'sick after'
  /** It arrives, and nobody ever answers. */
  | 'hang';

/** A server with customers, as `fetch` meets it. */
export interface WorldServer {
  fetch: typeof fetch;
  /** What it holds now. */
  read: (id: string) => Promise<{ version: number; body: Body } | null>;
  /** A colleague writes one field over what they see. */
  colleague: (id: string, field: Field, value: string) => Promise<void>;
}

export interface WorldOptions {
  server: WorldServer;
  openDatabase: (device: number) => Promise<OutboxDatabase>;
  ids: readonly string[];
  /** Who is signed in on each device. */
  owners: readonly string[];
  /** How long a flush may take before it counts as hanging, ms. */
  patienceMs?: number;
  /** A request that nobody answers ends after so long; without it, when the one who asks gives up. */
  hangMs?: number;
}

interface Choice {
  device: number;
  id: string;
  field: Field;
  value: string;
  /** What stood there on the screen when the person chose. */
  over: string;
}

interface Tab {
  outbox: Outbox;
  /** What waits, as this tab last heard. */
  writes: PendingWrite[];
  /** What the server holds, as this tab last read. */
  copies: Map<string, { version: number; body: Body }>;
  /** Edits that were begun on what the screen showed then. */
  begun: Map<string, Body>;
  killed: boolean;
}

const HANGS_MS = 2000;
/** As long as a name may be. */
const MOST_LETTERS = 80;
const TOO_LONG = ' too long'.repeat(10);

/** As much of an answer as the app reads. */
const answer = (status: number, body: unknown) =>
  ({ status, ok: status < 300, json: () => Promise.resolve(body) }) as Response;

/**
 * Two devices of two tabs, a colleague at the server, and the weather between them. It notes every value
 * that a person chose, and what they saw there when they chose it; every value is another one, so that
 * whatever the server holds tells whose word it is.
 */
export class OutboxWorld {
  private readonly choices: Choice[] = [];
  /** Values that their writer gave up: discarded, or settled for the other's. */
  private readonly released = new Set<string>();
  private readonly history = new Map<string, string[]>();
  private readonly devices: { database: OutboxDatabase; tabs: Tab[]; lock: Promise<unknown> }[] = [];
  private weather: Weather[] = [];
  private serial = 0;
  readonly faults: string[] = [];

  constructor(private readonly options: WorldOptions) {}

  async start(): Promise<void> {
    for (const [device] of this.options.owners.entries()) {
      const database = await this.options.openDatabase(device);
      this.devices.push({ database, tabs: [], lock: Promise.resolve() });
      for (const tab of [0, 1]) this.openTab(device, tab);
    }
    for (const id of this.options.ids) await this.look(id);
    for (const [device] of this.options.owners.entries()) {
      for (const tab of [0, 1]) await this.refresh(device, tab);
    }
  }

  private openTab(device: number, tab: number): void {
    const here = this.devices[device]!;
    const opened: Tab = {
      outbox: new Outbox({
        database: here.database,
        send: (write) => this.send(opened, device, write),
        exclusively: (work) => this.inTurn(device, work),
        onAccepted: (write, document) =>
          opened.copies.set(write.id, {
            version: document.version,
            body: document.body as Body,
          }),
      }),
      writes: [],
      copies: new Map(),
      begun: new Map(),
      killed: false,
    };
    here.tabs[tab] = opened;
  }

  /** One tab of a device sends at a time; a killed one lets go. */
  private inTurn<Value>(device: number, work: () => Promise<Value>): Promise<Value> {
    const here = this.devices[device]!;
    const turn = here.lock.then(work);
    here.lock = turn.catch(() => undefined);
    return turn;
  }

  private async send(tab: Tab, device: number, write: PendingWrite) {
    const answer = await sendWrite(write, this.devices[device]!.database);
    await this.look(write.id);
    // A tab that is gone does nothing with what comes.
    if (tab.killed) await new Promise(() => undefined);
    return answer;
  }

  /** What goes over the line; install as `fetch`. */
  readonly fetch: typeof fetch = async (url, init) => {
    const reading = (init?.method ?? 'GET') === 'GET';
    const now = reading ? 'ok' : (this.weather.shift() ?? 'ok');
    if (now === 'cut') throw new TypeError('cut');
    if (now === 'sick') return answer(500, {});
    if (now === 'hang') {
      const { hangMs } = this.options;
      return new Promise((_resolve, reject) => {
        const end = () => reject(new TypeError('aborted'));
        if (hangMs === undefined) init?.signal?.addEventListener('abort', end);
        else setTimeout(end, hangMs);
      });
    }
    const arrived = await this.options.server.fetch(url, init);
    if (now === 'lost') throw new TypeError('lost');
    return now === 'sick after' ? answer(502, {}) : arrived;
  };

  private value(who: string): string {
    this.serial += 1;
    return `${who}-${this.serial}`;
  }

  /** Notes what the server holds, and whether whoever wrote it meant to. */
  private async look(id: string): Promise<void> {
    const row = await this.options.server.read(id);
    if (!row) return;
    for (const field of FIELDS) {
      const key = `${id}/${field}`;
      const past = this.history.get(key) ?? [];
      const now = row.body[field];
      const last = past[past.length - 1];
      if (last !== now) {
        if (last !== undefined) this.judge(id, field, last, now);
        this.history.set(key, [...past, now]);
      }
    }
  }

  /** Who put a value where another stood must have seen that one, have been asked, or have put it there. */
  private judge(id: string, field: Field, before: string, now: string): void {
    if (now.startsWith('colleague')) return;
    const author = this.author(before);
    const meant = this.ownWords(now).some(
      (own) =>
        author?.device === own.device ||
        // Their later word on another tab stands where their earlier one would have stood.
        this.choices.some((one) => one.device === own.device && one.over === before),
    );
    if (!meant) this.faults.push(`${id}.${field}: ${before} became ${now}, and nobody meant that`);
  }

  private author(value: string): Choice | undefined {
    return this.choices.find((one) => one.value === value);
  }

  /** A choice, and those of the same device that it was made over. */
  private ownWords(value: string): Choice[] {
    const words: Choice[] = [];
    for (
      let choice = this.author(value);
      choice && choice.device === (words[0] ?? choice).device;
      choice = this.author(choice.over)
    ) {
      words.push(choice);
    }
    return words;
  }

  private view(device: number, tab: Tab, id: string): Body | null {
    const pending = pendingBody(tab.writes, 'customer', id) as Body | undefined;
    return pending ?? tab.copies.get(id)?.body ?? null;
  }

  /** A tab hears what waits and reads what the server holds. */
  async refresh(device: number, at: number): Promise<void> {
    const tab = this.tab(device, at);
    tab.writes = await tab.outbox.list(this.options.owners[device]!);
    for (const id of this.options.ids) {
      const row = await this.options.server.read(id);
      if (row) tab.copies.set(id, row);
    }
  }

  /** A form is opened; what it shows is what the edit is made from, however long it takes. */
  begin(device: number, at: number, id: string): void {
    const tab = this.tab(device, at);
    const shown = this.view(device, tab, id);
    if (shown) tab.begun.set(id, shown);
  }

  async edit(device: number, at: number, id: string, field: Field, bad = false): Promise<void> {
    const tab = this.tab(device, at);
    const saw = tab.begun.get(id) ?? this.view(device, tab, id);
    tab.begun.delete(id);
    // Somebody else's new customer is not on this tab's list yet.
    if (!saw && this.choices.some((one) => one.id === id)) return;
    const value = this.value(`device ${device}`) + (bad ? TOO_LONG : '');
    const base = tab.copies.get(id) ?? null;
    const empty = { name: this.value('first'), phone: '', note: '' };
    const body: Body = { ...(saw ?? { ...EMPTY, ...empty }), [field]: value };
    this.choices.push({ device, id, field, value, over: saw?.[field] ?? '' });
    if (bad) this.released.add(`${id}/${field}/${value}`);
    if (!saw) {
      for (const other of FIELDS) {
        if (other !== field && body[other]) {
          this.choices.push({ device, id, field: other, value: body[other], over: '' });
        }
      }
    }
    await tab.outbox.keep({
      owner: this.options.owners[device]!,
      kind: 'customer',
      id,
      lawnId: null,
      body,
      saw,
      base,
    });
    if (!tab.killed) tab.writes = await tab.outbox.list(this.options.owners[device]!);
  }

  /** Sends, in some weather, while somebody goes on writing. */
  async flush(
    device: number,
    at: number,
    weather: readonly Weather[],
    meanwhile?: () => Promise<void>,
  ): Promise<FlushEnd> {
    const tab = this.tab(device, at);
    this.weather = [...weather];
    const flushing = tab.outbox.flush(this.options.owners[device]!);
    await meanwhile?.();
    const end = await Promise.race([
      flushing,
      new Promise<'hangs'>((resolve) => setTimeout(() => resolve('hangs'), this.options.patienceMs ?? HANGS_MS)),
    ]);
    this.weather = [];
    if (end === 'hangs') {
      this.faults.push(`a flush of device ${device} does not end`);
      throw new Error('hangs');
    }
    // What was written after the last look at the queue is for the next.
    if (!meanwhile && (end === 'empty' || end === 'blocked')) {
      for (const write of await tab.outbox.list(this.options.owners[device]!)) {
        if (write.state === 'waiting' && !isSetAside(write)) {
          this.faults.push(`${write.id} was left behind`);
        }
      }
    }
    return end;
  }

  /** The page is gone in the middle of sending; another is opened. */
  async kill(device: number, at: number, arrives: boolean): Promise<void> {
    const tab = this.tab(device, at);
    const here = this.devices[device]!;
    this.weather = arrives ? [] : ['cut', 'cut', 'cut', 'cut'];
    tab.killed = true;
    void tab.outbox.flush(this.options.owners[device]!);
    for (let turn = 0; turn < 30; turn += 1) await new Promise((next) => setTimeout(next, 0));
    this.weather = [];
    here.lock = Promise.resolve();
    this.openTab(device, at);
    await this.refresh(device, at);
  }

  colleague(id: string, field: Field): Promise<void> {
    return this.options.server
      .colleague(id, field, this.value('colleague'))
      .then(() => this.look(id));
  }

  /** The person answers what they are asked, all of one document. */
  async settle(device: number, side: 'mine' | 'theirs'): Promise<boolean> {
    const { outbox } = this.tab(device, 0);
    const writes = await outbox.list(this.options.owners[device]!);
    const held = writes.find(({ state }) => state === 'conflict');
    if (!held?.conflict) return false;
    for (const { path, mine, theirs } of held.conflict.conflicts) {
      // "Mine" is a choice like one on a form, made in view of "theirs".
      if (side === 'mine') {
        this.choices.push({
          device,
          id: held.id,
          field: path[0] as Field,
          value: mine as string,
          over: theirs as string,
        });
      } else this.released.add(`${held.id}/${path[0] ?? ''}/${mine as string}`);
    }
    await outbox.settle(
      held.seq,
      held.writeId,
      held.conflict.conflicts.map(() => side),
    );
    return true;
  }

  /** Lets the first held write go, on the person's word. */
  async discard(device: number): Promise<boolean> {
    const { outbox } = this.tab(device, 0);
    const writes = await outbox.list(this.options.owners[device]!);
    const held = writes.find((write) => write.state !== 'waiting' || isSetAside(write));
    if (!held) return false;
    for (const field of FIELDS) {
      const value = (held.body as Body)[field];
      this.released.add(`${held.id}/${field}/${value}`);
    }
    await outbox.discard(held.seq);
    return true;
  }

  private tab(device: number, at: number): Tab {
    return this.devices[device]!.tabs[at]!;
  }

  /**
   * Good weather until nothing is left to do, and then the reckoning: every device's last word on a field
   * has been the server's at some time, unless they gave it up themselves.
   */
  async reckon(): Promise<void> {
    for (let round = 0; round < 40; round += 1) {
      const left: PendingWrite[] = [];
      const ends: FlushEnd[] = [];
      for (const [device] of this.options.owners.entries()) {
        const { outbox } = this.tab(device, 0);
        ends.push(await this.flush(device, 0, []));
        while (await this.settle(device, round % 2 === 0 ? 'mine' : 'theirs'));
        const writes = await outbox.list(this.options.owners[device]!);
        left.push(...writes);
        if (round > 30 || writes.some(({ state }) => state === 'refused')) {
          await this.discard(device);
        }
      }
      if (left.length === 0) break;
      if (round === 39) {
        this.faults.push(`it does not drain (${ends.join(', ')}): ${JSON.stringify(left)}`);
      }
    }
    for (const [device] of this.options.owners.entries()) {
      for (const id of this.options.ids) {
        for (const field of FIELDS) {
          const own = this.choices.filter(
            (one) => one.device === device && one.id === id && one.field === field,
          );
          const last = own[own.length - 1];
          if (!last || this.released.has(`${id}/${field}/${last.value}`)) continue;
          if (!this.history.get(`${id}/${field}`)?.includes(last.value)) {
            this.faults.push(`${id}.${field}: ${last.value} never reached the server`);
          }
        }
      }
    }
  }
}

const EMPTY = { phone: '', email: '', language: 'en', note: '', archived: false };

/** A server in memory with versions and a ledger, as the real one has them. */
export class MemoryServer implements WorldServer {
  private readonly rows = new Map<string, { version: number; body: Body }>();
  private readonly ledger = new Set<string>();

  constructor(ids: readonly string[]) {
    for (const id of ids) {
      this.rows.set(id, { version: 1, body: { ...EMPTY, name: `first ${id}` } as Body });
    }
  }

  read(id: string) {
    return Promise.resolve(this.rows.get(id) ?? null);
  }

  colleague(id: string, field: Field, value: string): Promise<void> {
    const row = this.rows.get(id);
    if (row) {
      this.rows.set(id, { version: row.version + 1, body: { ...row.body, [field]: value } });
    }
    return Promise.resolve();
  }

  readonly fetch: typeof fetch = (url, init) => Promise.resolve(this.say(url as string, init));

  private say(url: string, init: RequestInit = {}): Response {
    const failure = (status: number, code: string) =>
      answer(status, { error: { code, message: code, path: [] } });
    if ((init.method ?? 'GET') === 'GET') {
      return answer(
        200,
        [...this.rows].map(([id, { version, body }]) => ({ ...body, id, version })),
      );
    }
    const id = url.slice(url.lastIndexOf('/') + 1);
    const key = (init.headers as Record<string, string>)['idempotency-key'] ?? '';
    const { version, ...body } = JSON.parse(init.body as string) as Body & { version: number };
    const row = this.rows.get(id);
    const held = () => {
      const { version: now, body: kept } = this.rows.get(id)!;
      return answer(200, { ...kept, id, version: now });
    };
    if (body.name.length > MOST_LETTERS) return failure(422, 'bad-input');
    if (row && this.ledger.has(key)) return held();
    if (!row && version !== 0) return failure(404, 'not-found');
    if (row && row.version === version + 1 && same(row.body, body as Json)) return held();
    if (row && row.version !== version) return failure(409, 'stale-version');
    this.rows.set(id, { version: version + 1, body: body as unknown as Body });
    this.ledger.add(key);
    return held();
  }
}
