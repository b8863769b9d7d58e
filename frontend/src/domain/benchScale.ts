/** What a pan's drawings need, cm: from above, from the side. */
export interface Needs {
  planWide: number;
  planHigh: number;
  wide: number;
  high: number;
}

/** How the pans are drawn: pixels per cm, whether a plan stands over its section, width of bays. */
export interface Drawn {
  scale: number;
  stacked: boolean;
}

/** Scale of the plans against the sections. */
export const PLAN_SHARE = 0.42;

const WIDEST = 17;
const NARROWEST = 6;
const STEP = 0.25;
/** Room for the numbers beside a section, and for the words over a drawing, px. */
export const LABELS_PX = 112;
const RULER_PX = 30;
const WORDS_HIGH_PX = 78;
const LEAST_WIDE_PX = 250;
const BETWEEN_PX = 20;
/** A room narrower than this has the plan over the section. */
const NARROW_ROOM_PX = 500;

/** Width of one pan's bay, px. */
export function bayWide(needs: Needs, { scale, stacked }: Drawn): number {
  const plan = needs.planWide * PLAN_SHARE * scale;
  const section = needs.wide * scale + LABELS_PX + RULER_PX;
  const drawn = stacked ? Math.max(plan, section) : plan + BETWEEN_PX + section;
  return Math.max(LEAST_WIDE_PX, drawn);
}

function bayHigh(needs: Needs, { scale, stacked }: Drawn): number {
  const plan = needs.planHigh * PLAN_SHARE * scale;
  const section = needs.high * scale;
  return WORDS_HIGH_PX + (stacked ? plan + section : Math.max(plan, section));
}

/** Height of all bays laid in rows as wide as the room, px. */
function rowsHigh(all: readonly Needs[], drawn: Drawn, roomPx: number): number {
  let total = 0;
  let left = 0;
  let tallest = 0;
  for (const needs of all) {
    const wide = bayWide(needs, drawn) + BETWEEN_PX;
    if (wide - BETWEEN_PX > left) {
      total += tallest;
      tallest = 0;
      left = roomPx;
    }
    left -= wide;
    tallest = Math.max(tallest, bayHigh(needs, drawn));
  }
  return total + tallest;
}

/** The largest scale at which all pans stand in the room, or the fairest where none does. */
export function benchScale(all: readonly Needs[], roomPx: number, highPx: number): Drawn {
  const stacked = roomPx < NARROW_ROOM_PX;
  let fairest = NARROWEST;
  for (let scale = WIDEST; scale >= NARROWEST; scale -= STEP) {
    const drawn = { scale, stacked };
    if (all.some((needs) => bayWide(needs, drawn) > roomPx)) continue;
    fairest = Math.max(fairest, Math.min(scale, WIDEST / 1.9));
    if (rowsHigh(all, drawn, roomPx) <= highPx) return drawn;
  }
  const widest = Math.max(...all.map((needs) => needs.wide), 1);
  const most = (roomPx - LABELS_PX - RULER_PX) / widest;
  return { scale: Math.max(2, Math.min(fairest, most)), stacked };
}
