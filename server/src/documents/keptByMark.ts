/**
 * What was put together for a company, kept until what it stands on has changed. Any process may drop or rebuild
 * it. Who asks while it is put together waits for that.
 */
export class KeptByMark<Value> {
  /** By company, the one asked last at the end. */
  private readonly kept = new Map<string, { mark: string; value: Value; letters: number }>();
  private readonly underWay = new Map<string, Promise<Value>>();

  constructor(
    private readonly lettersOf: (value: Value) => number,
    /** Letters kept in memory, of all companies. */
    private readonly mostLetters: number,
  ) {}

  async of(companyId: string, mark: string, make: () => Promise<Value>): Promise<Value> {
    const before = this.kept.get(companyId);
    if (before?.mark === mark) {
      this.keep(companyId, before);
      return before.value;
    }
    const key = `${companyId} ${mark}`;
    const running = this.underWay.get(key);
    if (running) return running;
    const made = make()
      .then((value) => {
        this.keep(companyId, { mark, value, letters: this.lettersOf(value) });
        return value;
      })
      .finally(() => this.underWay.delete(key));
    this.underWay.set(key, made);
    return made;
  }

  private keep(companyId: string, entry: { mark: string; value: Value; letters: number }): void {
    this.kept.delete(companyId);
    this.kept.set(companyId, entry);
    let all = [...this.kept.values()].reduce((sum, { letters }) => sum + letters, 0);
    for (const [id, { letters }] of this.kept) {
      if (all <= this.mostLetters || id === companyId) return;
      this.kept.delete(id);
      all -= letters;
    }
  }
}
