import Papa from 'papaparse';
import type { CutList } from '../cuts';

const COLUMNS = [
  'mark',
  'kind',
  'block',
  'side',
  'count',
  'left',
  'right',
  'plain',
  'thickness_mm',
  'depth_mm',
  'slope_deg',
  'plan_a_deg',
  'plan_b_deg',
  'theory_mm',
  'body_mm',
  'long_point_mm',
  'short_point_mm',
  'tail_mm',
  'blank_mm',
  'seat_hap_mm',
  'seat_width_mm',
  'seat_plumb_mm',
  'seat_share',
  'ridge_top_mm',
  'ridge_above_plate_mm',
  'drop_mm',
  'backing_a_deg',
  'backing_b_deg',
  'cuts',
  'upper_hap_mm',
  'upper_seat_mm',
  'upper_notch_plumb_mm',
  'heel_to_heel_mm',
  'upper_tail_mm',
];

/** Rounded for reading: 0.01 mm, 0.001°. The JSON carries full precision. */
const mm = (value: number | undefined | null): string =>
  value === undefined || value === null ? '' : value.toFixed(2);
const deg = (value: number | undefined): string => (value === undefined ? '' : value.toFixed(3));

/** One row a line of the cut list, a header row first, CRLF, quoted where needed (RFC 4180). Lossy to 0.01 mm. */
export const cutListCsv = (list: CutList): string => {
  const rows = list.members.map((m) => [
    m.mark,
    m.kind,
    m.block,
    m.side ?? '',
    m.count,
    m.hands.left,
    m.hands.right,
    m.hands.plain,
    m.stock.thickness,
    m.stock.depth,
    deg(m.slope),
    deg(m.plan?.[0]),
    deg(m.plan?.[1]),
    mm(m.length.theory),
    mm(m.length.body),
    mm(m.length.longPoint),
    mm(m.length.shortPoint),
    mm(m.length.tail),
    mm(m.length.blank),
    mm(m.seat?.hap),
    mm(m.seat?.width),
    mm(m.seat?.plumbDepth),
    deg(m.seat?.depthFraction),
    (m.heights ?? []).map(({ top }) => mm(top)).join('; '),
    (m.heights ?? []).map(({ abovePlate }) => mm(abovePlate)).join('; '),
    mm(m.drop),
    deg(m.backing?.[0]),
    deg(m.backing?.[1]),
    m.cuts
      .map((c) =>
        [c.at, c.name, ...[c.faceAngle, c.faceTilt, c.edgeAngle, c.edgeTilt].map(deg)].join(' '),
      )
      .join('; '),
    mm(m.upper?.hap),
    mm(m.upper?.width),
    mm(m.upper?.plumbDepth),
    mm(m.upper?.apart),
    mm(m.upper?.tail),
  ]);
  return `${Papa.unparse({ fields: COLUMNS, data: rows })}\r\n`;
};
