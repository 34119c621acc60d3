export interface Circle {
  x: number;
  y: number;
  r: number;
}

const directions = 90;
const full = 2 * Math.PI;
const round = (value: number) => Number(value.toFixed(2));

/** A line around a few circles, of tangents and arcs, as the data of an SVG path. */
export function outline(circles: Circle[]): string {
  const outer = Array.from({ length: directions }, (_, i) => {
    const angle = (i / directions) * full;
    let best = 0;
    let far = -Infinity;
    circles.forEach(({ x, y, r }, k) => {
      const reach = x * Math.cos(angle) + y * Math.sin(angle) + r;
      if (reach > far + 1e-9) [best, far] = [k, reach];
    });
    return best;
  });
  const at = (i: number) => circles[outer[i % directions] ?? 0] ?? { x: 0, y: 0, r: 0 };
  const turns = outer.flatMap((of, i) => (of === outer[(i + 1) % directions] ? [] : [i]));
  if (turns.length < 2) return circle(at(0));
  const tangents = turns.map((i) => {
    const [from, to] = [at(i), at(i + 1)];
    const along = Math.atan2(to.y - from.y, to.x - from.x);
    const open = Math.acos(Math.max(-1, Math.min(1, (from.r - to.r) / Math.hypot(to.x - from.x, to.y - from.y))));
    const near = ((i + 0.5) / directions) * full;
    const angle = Math.cos(along + open - near) > Math.cos(along - open - near) ? along + open : along - open;
    return { angle, from, to };
  });
  const on = ({ x, y, r }: Circle, angle: number) =>
    `${round(x + r * Math.cos(angle))} ${round(y + r * Math.sin(angle))}`;
  const arc = (of: Circle, start: number, end: number) => {
    const turn = (((end - start) % full) + full) % full;
    return `A${round(of.r)} ${round(of.r)} 0 ${turn > Math.PI ? 1 : 0} 1 ${on(of, end)}`;
  };
  let path = "";
  tangents.forEach(({ angle, from, to }, i) => {
    const before = tangents[(i + tangents.length - 1) % tangents.length];
    path += i === 0 ? `M${on(from, angle)}` : arc(from, before?.angle ?? 0, angle);
    path += `L${on(to, angle)}`;
  });
  const [first, last] = [tangents[0], tangents.at(-1)];
  return first && last ? `${path}${arc(first.from, last.angle, first.angle)}z` : path;
}

export function circle({ x, y, r }: Circle): string {
  const [a, d] = [round(r), round(2 * r)];
  return `M${round(x + r)} ${round(y)}a${a} ${a} 0 1 1 ${-d} 0a${a} ${a} 0 1 1 ${d} 0z`;
}
