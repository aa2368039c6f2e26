/** A lamp's light over time, known at the moments the simulation stopped at. */
export class LightCurve {
  private readonly seconds: number[] = [];
  private readonly light: number[] = [];

  add(seconds: number, light: number): void {
    this.seconds.push(seconds);
    this.light.push(light);
  }

  /** Light at a moment, by straight line between what is known, level outside it. */
  at(seconds: number): number {
    let low = 0;
    let high = this.seconds.length - 1;
    if (high < 0) return 0;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((this.seconds[middle] as number) <= seconds) low = middle;
      else high = middle;
    }
    const [t0, t1] = [this.seconds[low] as number, this.seconds[high] as number];
    const [v0, v1] = [this.light[low] as number, this.light[high] as number];
    if (t1 <= t0) return v1;
    return v0 + (v1 - v0) * Math.min(1, Math.max(0, (seconds - t0) / (t1 - t0)));
  }

  /** The brightest known moment of a span, and its ends. */
  most(from: number, to: number): number {
    let most = Math.max(this.at(from), this.at(to));
    this.seconds.forEach((moment, index) => {
      if (moment >= from && moment <= to) most = Math.max(most, this.light[index] as number);
    });
    return most;
  }
}
