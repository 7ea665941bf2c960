/** Queues that take turns: the next one out is the first of the lane that has waited longest for its turn. */
export class Lanes<Item> {
  readonly #lanes = new Map<string, Item[]>();
  #size = 0;

  get size(): number {
    return this.#size;
  }

  sizeOf(lane: string): number {
    return this.#lanes.get(lane)?.length ?? 0;
  }

  push(lane: string, item: Item): void {
    const queue = this.#lanes.get(lane);
    if (queue === undefined) this.#lanes.set(lane, [item]);
    else queue.push(item);
    this.#size += 1;
  }

  /** Null when nothing waits. */
  shift(): Item | null {
    for (const [lane, queue] of this.#lanes) {
      const item = queue.shift()!;
      // A map keeps the order of insertion: the lane goes to the end of the line.
      this.#lanes.delete(lane);
      if (queue.length > 0) this.#lanes.set(lane, queue);
      this.#size -= 1;
      return item;
    }
    return null;
  }
}
