import type { ReactNode } from 'react';
import Svg, { Circle, Ellipse, G, Line, Path, Rect } from 'react-native-svg';

const W = '#D9A21B';
const D = '#241C15';
const L = '#FBF8F1';
const stroke = {
  fill: 'none',
  strokeWidth: 2.2,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
} as const;

const dots = (points: [number, number, number][], fill: string) =>
  points.map(([x, y, r]) => <Circle key={`${x}-${y}`} cx={x} cy={y} r={r} fill={fill} />);
const blade = (fill: string) => <Path d="M16 28C12 20 12 11 17 4c4 8 4 16 1 24z" fill={fill} />;
const bladeWith = (fill: string, marks: ReactNode) => (
  <>
    {blade(fill)}
    {marks}
  </>
);
const bottle = (mark: ReactNode) => (
  <>
    <Path d="M12 5h8v4l3 4v15H9V13l3-4z" fill={L} />
    {mark}
  </>
);
const mower = (mark: ReactNode) => (
  <>
    <Path d="M5 6l8 12M11 18h14v6H9z" {...stroke} stroke={L} />
    <Circle cx={11} cy={26} r={3} fill={L} />
    <Circle cx={23} cy={26} r={3} fill={L} />
    {mark}
  </>
);
const core = (mark: ReactNode) => (
  <>
    <Path d="M10 4h12v20l-6 5-6-5z" fill="#7A5C3E" />
    <Rect x={10} y={4} width={12} height={4} fill={L} />
    {mark}
  </>
);
const house = (mark: ReactNode) => (
  <>
    <Path d="M5 16L14 8l9 8v10H5z" fill={L} />
    {mark}
  </>
);
const cloud = (mark: ReactNode) => (
  <>
    <Path d="M9 16a5 5 0 0 1 1-9.900A6 6 0 0 1 21.500 8 4.500 4.500 0 0 1 22 16z" fill={L} />
    {mark}
  </>
);
const sun = (
  <>
    <Circle cx={16} cy={16} r={6} fill={W} />
    <Path
      d="M16 4v4M16 24v4M4 16h4M24 16h4M7.500 7.500l3 3M21.500 21.500l3 3M24.500 7.500l-3 3M10.500 21.500l-3 3"
      {...stroke}
      stroke={W}
    />
  </>
);
const drop = (fill: string) => (
  <Path d="M16 5c5 6.500 7 10 7 13a7 7 0 0 1-14 0c0-3 2-6.500 7-13z" fill={fill} />
);
const bug = (fill: string) => (
  <>
    <Path d="M9 9l3 4M23 9l-3 4M6 17h5M21 17h5M8 25l4-4M24 25l-4-4" {...stroke} stroke={fill} />
    <Ellipse cx={16} cy={17} rx={5.5} ry={8} fill={fill} />
  </>
);
const grub = <Path d="M22 9a9 9 0 1 0 1 13" {...stroke} strokeWidth={5} stroke={L} />;
const roots = (color: string, extra?: ReactNode) => (
  <>
    <Path
      d="M16 4v8M16 12c-6 3-7 9-8 15M16 12c-1 5-1 10 0 16M16 12c6 3 7 9 8 15"
      {...stroke}
      stroke={color}
    />
    {extra}
  </>
);
const crown = (fill: string) => (
  <>
    <Path d="M10 5l4 12M22 5l-4 12M16 3v14" {...stroke} stroke={L} />
    <Ellipse cx={16} cy={21} rx={7} ry={6} fill={fill} />
  </>
);
const runner = (color: string) => (
  <Path d="M3 20c5-6 8-6 13 0s8 6 13 0M9 16l-2-8M16 20l0-9M23 24l3-9" {...stroke} stroke={color} />
);
const boot = (mark: ReactNode) => (
  <>
    <Path d="M11 4h7v12l7 4v5H11z" fill={L} />
    {mark}
  </>
);
const person = (mark: ReactNode) => (
  <>
    <Circle cx={13} cy={9} r={4} fill={L} />
    <Path d="M6 27c0-8 3-11 7-11s7 3 7 11z" fill={L} />
    {mark}
  </>
);
const page = (mark: ReactNode) => (
  <>
    <Rect x={6} y={5} width={20} height={22} rx={3} fill={L} />
    <Line x1={6} y1={11} x2={26} y2={11} stroke={D} strokeWidth={2} />
    {mark}
  </>
);
const ring = (color: string, width = 5) => (
  <Circle cx={16} cy={16} r={9} fill="none" stroke={color} strokeWidth={width} />
);
const patch = (fill: string) => (
  <Path d="M8 15c0-6 5-9 10-8s8 5 7 10-6 9-11 7-6-4-6-9z" fill={fill} />
);

/** Drawings by sign; what has none of its own takes the one of its posture. */
const DRAWINGS: Record<string, ReactNode> = {
  'k-pat-uniform': <Rect x={3} y={3} width={26} height={26} rx={4} fill={W} />,
  'k-pat-small-spots': dots(
    [
      [8, 8, 2.6],
      [20, 7, 2.2],
      [13, 15, 2.6],
      [24, 17, 2.4],
      [8, 24, 2.2],
      [19, 25, 2.6],
    ],
    W,
  ),
  'k-pat-patches': (
    <>
      <Path d="M5 9c3-5 9-4 11-1s-1 8-6 8-8-3-5-7z" fill={W} />
      <Path d="M17 21c2-4 9-5 11-1s-3 8-7 7-6-3-4-6z" fill={W} />
    </>
  ),
  'k-pat-circles': dots(
    [
      [10, 11, 6],
      [22, 21, 6],
    ],
    W,
  ),
  'k-pat-rings': ring(W),
  'k-pat-stripes': <Path d="M6 3h5v26H6zM14 3h5v26h-5zM22 3h5v26h-5z" fill={W} />,
  'k-pat-runs': <Path d="M4 26c4-10 8 2 12-8s7 2 12-13" {...stroke} strokeWidth={3.4} stroke={W} />,
  'k-pat-edge-band': (
    <>
      <Rect x={3} y={21} width={26} height={8} fill={L} />
      <Path d="M3 21c4-6 7-1 11-5s9 2 15-3v8z" fill={W} />
    </>
  ),
  'k-pat-single': patch(W),
  'k-pat-thin': (
    <Path d="M6 27l1-14M12 27l-1-9M17 27l1-16M22 27l-1-8M27 27l0-12" {...stroke} stroke={W} />
  ),
  'k-loc-pavement': (
    <>
      <Rect x={3} y={18} width={26} height={11} fill={L} />
      <Path d="M9 15c2-3-2-4 0-8M16 15c2-3-2-4 0-8M23 15c2-3-2-4 0-8" {...stroke} stroke={W} />
    </>
  ),
  'k-loc-road': (
    <>
      <Path d="M11 3h10l6 26H5z" fill={L} />
      <Path d="M16 6v5M16 15v5M16 24v4" {...stroke} stroke={D} />
    </>
  ),
  'k-loc-low-wet': (
    <>
      <Path d="M3 12c6 0 6 10 13 10s7-10 13-10v17H3z" fill="#7A5C3E" />
      <Path d="M8 18h16c-2 3-4 4-8 4s-6-1-8-4z" fill="#8FB0DC" />
    </>
  ),
  'k-loc-slope-ridge': (
    <>
      <Path d="M3 28L18 8l11 20z" fill={L} />
      <Path d="M13 15l5-7 5 9z" fill={W} />
    </>
  ),
  'k-loc-shade': (
    <>
      <Circle cx={16} cy={11} r={8} fill="#16312A" />
      <Path d="M16 17v12" {...stroke} stroke={L} />
    </>
  ),
  'k-loc-full-sun': sun,
  'k-loc-door-dog': house(
    <>
      <Rect x={12} y={18} width={5} height={8} fill={D} />
      <Path d="M24 27c1-4 4-4 5-2" {...stroke} stroke={W} />
    </>,
  ),
  'k-loc-head-gap': (
    <>
      <Path d="M6 27A12 12 0 0 1 18 15" {...stroke} stroke="#8FB0DC" />
      <Path d="M6 27A7 7 0 0 1 13 20" {...stroke} stroke="#8FB0DC" />
      <Circle cx={6} cy={27} r={2.5} fill={L} />
      <Rect x={20} y={5} width={8} height={8} fill={W} />
    </>
  ),
  'k-loc-object': (
    <>
      <Ellipse cx={16} cy={20} rx={12} ry={7} fill={W} />
      <Rect x={9} y={6} width={14} height={10} rx={3} fill={L} />
    </>
  ),
  'k-loc-bed-field': (
    <>
      <Path d="M3 3h10v26H3z" fill="#7A5C3E" />
      <Circle cx={8} cy={10} r={3} fill={L} />
      <Circle cx={8} cy={21} r={3} fill={L} />
      <Path d="M14 8c7 2 7 14 0 17z" fill={W} />
    </>
  ),
  'k-loc-path': (
    <Path d="M9 5v6M9 15v3M15 11v6M15 21v3M21 7v6M21 17v3" {...stroke} strokeWidth={4} stroke={L} />
  ),
  'k-loc-mower': mower(null),
  'k-loc-boundary': (
    <>
      <Rect x={16} y={3} width={13} height={26} fill={W} />
      <Line x1={16} y1={2} x2={16} y2={30} stroke={L} strokeWidth={2.5} />
    </>
  ),
  'k-loc-trench': (
    <>
      <Rect x={3} y={13} width={26} height={7} fill={W} />
      <Path d="M5 24h22M9 28h14" {...stroke} stroke={L} />
    </>
  ),
  'k-green-halo': (
    <>
      {ring('#16312A', 4)}
      <Circle cx={16} cy={16} r={5} fill={W} />
    </>
  ),
  'k-greener-spots': dots(
    [
      [10, 11, 5],
      [22, 20, 5],
    ],
    '#16312A',
  ),
  'k-birds-digging': (
    <Path
      d="M4 20c6 0 8-8 13-8 4 0 6 2 6 4l5-1-5 4c-1 6-7 8-12 6M13 25v4M17 25v4"
      {...stroke}
      stroke={L}
    />
  ),
  'k-mushrooms': (
    <>
      <Path d="M5 15a8 8 0 0 1 16 0z" fill={L} />
      <Rect x={11} y={15} width={4} height={10} fill={L} />
      <Path d="M19 23a5 5 0 0 1 10 0z" fill={W} />
    </>
  ),
  'k-weeds-wet': (
    <>
      <Path d="M10 28V10M10 10l-5-5M10 10l0-7M10 10l5-5" {...stroke} stroke={L} />
      <Path d="M16 27c3-2 5 2 8 0s4 1 5 0" {...stroke} stroke="#8FB0DC" />
    </>
  ),
  'k-weeds-compact': (
    <>
      <Path d="M16 18L5 12M16 18L8 25M16 18l11-6M16 18l8 7M16 18V6" {...stroke} stroke={L} />
      <Circle cx={16} cy={18} r={3} fill={W} />
    </>
  ),
  'k-bare-soil': (
    <>
      <Rect x={4} y={8} width={24} height={18} rx={5} fill="#7A5C3E" />
      {dots(
        [
          [10, 14, 1.5],
          [17, 19, 1.5],
          [22, 13, 1.5],
        ],
        L,
      )}
    </>
  ),
  's-col-straw': blade('#D9C27E'),
  's-col-bluegray': blade('#9FB4C4'),
  's-col-lime': blade('#C6DB5A'),
  's-col-white': blade('#FBF8F1'),
  's-col-orange': bladeWith(
    '#BFDCD2',
    dots(
      [
        [15, 10, 1.7],
        [18, 15, 1.7],
        [15, 20, 1.7],
      ],
      '#D2691E',
    ),
  ),
  's-col-redpink': blade('#D98A95'),
  's-col-dark-greasy': blade('#16241F'),
  's-col-purple': blade('#8A5A7C'),
  's-col-grayfilm': bladeWith(
    '#BFDCD2',
    <Path d="M14 8l5 4M13 14l6 4M14 20l5 3" {...stroke} stroke="#58493A" />,
  ),
  's-col-mottle': bladeWith(
    '#BFDCD2',
    dots(
      [
        [16, 9, 1.5],
        [18, 14, 1.5],
        [15, 17, 1.5],
        [18, 22, 1.5],
      ],
      '#16312A',
    ),
  ),
  's-brown-over-green': (
    <>
      <Rect x={4} y={4} width={24} height={12} fill="#D9C27E" />
      <Rect x={4} y={16} width={24} height={12} fill="#16312A" />
    </>
  ),
  's-edge-sharp': (
    <>
      <Rect x={3} y={3} width={13} height={26} fill={W} />
      <Line x1={16} y1={3} x2={16} y2={29} stroke={D} strokeWidth={2.5} />
    </>
  ),
  's-edge-yellow': (
    <>
      {patch('#F0DD8A')}
      <Path d="M12 15c0-3 3-5 5-4s5 2 4 5-4 4-6 3-3-2-3-4z" fill="#8A6B3A" />
    </>
  ),
  's-edge-smoke': (
    <>
      {patch('#5A5566')}
      <Circle cx={16} cy={16} r={5.5} fill={W} />
    </>
  ),
  's-edge-orange': (
    <>
      {patch('#D2691E')}
      <Circle cx={16} cy={16} r={5.5} fill="#D9C27E" />
    </>
  ),
  's-edge-diffuse': (
    <>
      {dots([[9, 16, 6]], W)}
      {dots(
        [
          [18, 10, 2.2],
          [19, 17, 2.4],
          [17, 24, 2],
          [24, 14, 1.5],
          [25, 21, 1.4],
        ],
        W,
      )}
    </>
  ),
  's-footprints': (
    <>
      <Ellipse cx={11} cy={11} rx={4} ry={6} fill={W} />
      <Ellipse cx={21} cy={21} rx={4} ry={6} fill={W} />
    </>
  ),
  's-leaf-fold': <Path d="M16 28V5c-4 7-4 16 0 23zM16 5c2 7 2 16 0 23" {...stroke} stroke={L} />,
  's-hard': boot(<Path d="M5 28h22" {...stroke} strokeWidth={4} stroke={W} />),
  's-spongy': boot(<Path d="M5 28c3-3 5 3 8 0s5 3 8 0 4 2 6 0" {...stroke} stroke={W} />),
  's-squishy': boot(<Path d="M4 24l4 3M28 24l-4 3M8 20l2 3" {...stroke} stroke="#8FB0DC" />),
  's-matted': (
    <Path d="M4 22c8-8 16 4 24-4M4 26c8-8 16 4 24-4M4 17c8-8 16 4 24-4" {...stroke} stroke={W} />
  ),
  's-clumps': (
    <>
      <Ellipse cx={11} cy={20} rx={7} ry={5} fill={W} />
      <Ellipse cx={22} cy={14} rx={6} ry={4} fill={W} />
    </>
  ),
  's-soil-layer': (
    <>
      <Path d="M8 18l1-13M16 18l0-14M24 18l-1-12" {...stroke} stroke={L} />
      <Rect x={3} y={15} width={26} height={13} fill="#7A5C3E" />
    </>
  ),
  's-off-type': (
    <>
      <Path d="M6 28l1-16M10 28l0-18" {...stroke} stroke={L} />
      <Path d="M18 28c-3-10 0-18 3-22 3 6 3 14 1 22z" fill={W} />
    </>
  ),
  's-mounds': (
    <>
      <Path d="M3 27L10 15l7 12z" fill="#7A5C3E" />
      <Path d="M15 27l7-14 7 14z" fill="#8A6B3A" />
    </>
  ),
  's-tyre': (
    <Path d="M9 4v24M23 4v24M5 8h8M5 15h8M5 22h8M19 8h8M19 15h8M19 22h8" {...stroke} stroke={W} />
  ),
  's-weeds-hit': (
    <Path
      d="M16 28V16M16 16c-5 0-8-2-9-6M16 16c5 0 8-2 9-6M16 16c0-5-1-8-1-12"
      {...stroke}
      stroke={W}
    />
  ),
  's-weeds-green': (
    <>
      <Rect x={3} y={18} width={26} height={11} fill={W} />
      <Path d="M16 24V8M16 12c-5 0-7-2-8-6M16 12c5 0 7-2 8-6" {...stroke} stroke={L} />
    </>
  ),
  's-weeds-twisted': (
    <Path
      d="M12 28c8-4 0-8 6-12s-4-6 2-12M18 16c4 0 6-2 8-1M16 22c-4 0-6-2-9-1"
      {...stroke}
      stroke={L}
    />
  ),
  's-seedheads': (
    <Path d="M16 28V10M16 10l-4-4M16 10l4-4M16 15l-5-4M16 15l5-4M16 10V3" {...stroke} stroke={W} />
  ),
  'h-les-hourglass': bladeWith(
    '#BFDCD2',
    <Path d="M12 12h9l-2 4 2 4h-9l2-4z" fill={L} stroke="#8E2F22" strokeWidth={1.5} />,
  ),
  'h-les-irregular': bladeWith(
    '#BFDCD2',
    <Path d="M14 10l5 2-1 6-3 4-2-5z" fill="#D9C27E" stroke={D} strokeWidth={1.4} />,
  ),
  'h-les-gray': bladeWith(
    '#BFDCD2',
    <Ellipse cx={16.5} cy={16} rx={3.4} ry={5} fill="#AAB0B0" stroke="#6B3B5E" strokeWidth={1.6} />,
  ),
  'h-les-purple': bladeWith(
    '#BFDCD2',
    dots(
      [
        [16, 10, 1.8],
        [18, 16, 1.8],
        [15, 21, 1.8],
      ],
      '#6B3B5E',
    ),
  ),
  'h-red-threads': bladeWith(
    '#BFDCD2',
    <Path d="M17 5l-4-3M17 5l4-3M17 8l6-2" {...stroke} stroke="#B9472F" />,
  ),
  'h-pustules': bladeWith(
    '#BFDCD2',
    dots(
      [
        [15, 9, 1.6],
        [18, 12, 1.6],
        [15, 16, 1.6],
        [18, 20, 1.6],
      ],
      '#D2691E',
    ),
  ),
  'h-white-powder': bladeWith(
    '#BFDCD2',
    dots(
      [
        [16, 8, 1.3],
        [18, 11, 1.3],
        [15, 13, 1.3],
        [17, 17, 1.3],
        [15, 20, 1.3],
      ],
      L,
    ),
  ),
  'h-mycelium': (
    <Path
      d="M4 10c8 4 16-4 24 2M4 18c8-6 16 6 24-2M8 4c0 8 6 16 2 24M22 4c-4 8 4 16 0 24"
      {...stroke}
      strokeWidth={1.6}
      stroke={L}
    />
  ),
  'h-mycelium-pink': (
    <>
      <Path d="M4 12c8 4 16-4 24 2M8 4c0 8 6 16 2 24" {...stroke} stroke="#E8B4BC" />
      <Circle cx={20} cy={21} r={6} fill="#E8B4BC" />
    </>
  ),
  'h-sclerotia': bladeWith(
    '#D9C27E',
    dots(
      [
        [15, 12, 1.8],
        [18, 17, 1.8],
        [15, 22, 1.8],
      ],
      D,
    ),
  ),
  'h-setae': bladeWith(
    '#D9C27E',
    <Path
      d="M14 12l-3-2M14 15l-4 0M18 18l4-2M18 21l4 1"
      {...stroke}
      strokeWidth={1.6}
      stroke={D}
    />,
  ),
  'h-slime': bladeWith(
    '#BFDCD2',
    dots(
      [
        [15, 11, 3],
        [18, 17, 3],
        [16, 22, 2.4],
      ],
      '#9C9AB8',
    ),
  ),
  'h-sheath-rot': (
    <>
      <Path d="M12 4l3 16M20 4l-3 16" {...stroke} stroke={L} />
      <Ellipse cx={16} cy={22} rx={4} ry={6} fill="#5A3A1E" />
    </>
  ),
  'h-sawdust': (
    <>
      <Rect x={13} y={3} width={6} height={15} fill={L} />
      {dots(
        [
          [11, 23, 1.6],
          [16, 22, 1.6],
          [21, 24, 1.6],
          [14, 27, 1.6],
          [19, 28, 1.4],
        ],
        W,
      )}
    </>
  ),
  'h-stem-breaks': (
    <>
      <Path d="M16 4v10M13 15l6 3M16 20v8" {...stroke} strokeWidth={3.4} stroke={L} />
    </>
  ),
  'h-peels': (
    <Path d="M3 22h14c8 0 8-12 2-12-4 0-4 6 0 6M3 27h26" {...stroke} strokeWidth={3} stroke={L} />
  ),
  'h-roots-short': (
    <Path d="M16 4v10M16 14c-3 1-4 3-5 6M16 14v7M16 14c3 1 4 3 5 6" {...stroke} stroke={L} />
  ),
  'h-roots-black': roots(D),
  'h-roots-white': roots(L),
  'h-roots-knots': roots(
    L,
    dots(
      [
        [9, 22, 2.6],
        [16, 24, 2.6],
        [23, 22, 2.6],
      ],
      W,
    ),
  ),
  'h-crown-firm': crown('#E9F1D6'),
  'h-crown-dead': crown('#6B4A2A'),
  'h-runner-green': runner('#E9F1D6'),
  'h-runner-dead': runner('#C09A5B'),
  'h-chewed': (
    <Path d="M16 28C12 20 12 11 17 4c2 4 3 7 3 9-3 0-3 4 0 4 0 2-1 3-1 4-2 0-2 4-1 7z" fill={L} />
  ),
  'h-frass': dots(
    [
      [9, 12, 2],
      [15, 9, 2],
      [21, 13, 2],
      [12, 19, 2],
      [19, 21, 2],
      [24, 20, 2],
    ],
    D,
  ),
  'h-silk': (
    <Path d="M7 26C7 12 12 6 16 6s9 6 9 20M11 26c0-9 2-14 5-14s5 5 5 14" {...stroke} stroke={L} />
  ),
  'h-chinch-seen': (
    <>
      {bug(D)}
      <Path d="M12 14l4 6 4-6z" fill={L} />
    </>
  ),
  'h-grub-seen': grub,
  'h-cat-seen': (
    <>
      <Path d="M4 20c3-6 6-6 8 0s5 6 8 0 5-6 8 0" {...stroke} strokeWidth={4.6} stroke={L} />
      <Circle cx={28} cy={19} r={2} fill={D} />
    </>
  ),
  'h-moths': (
    <Path
      d="M16 8v18M16 12C10 4 4 7 5 13s8 6 11 4c3 2 10 2 11-4s-5-9-11-1z"
      {...stroke}
      stroke={L}
    />
  ),
  'h-mc-seen': (
    <>
      {bug(W)}
      <Path d="M9 6l-4-3M23 6l4-3" {...stroke} strokeWidth={3.4} stroke={W} />
    </>
  ),
  'h-spittle': dots(
    [
      [12, 14, 4],
      [19, 13, 5],
      [16, 20, 5],
      [23, 20, 3],
    ],
    L,
  ),
  'h-rosette': (
    <Path
      d="M16 26v-8M16 18l-6-7M16 18l6-7M16 18l-3-10M16 18l3-10M16 18V7"
      {...stroke}
      stroke={L}
    />
  ),
  'h-scale': (
    <>
      <Path d="M4 20h24" {...stroke} strokeWidth={3} stroke={L} />
      {dots(
        [
          [10, 17, 3],
          [17, 17, 3],
          [24, 17, 3],
        ],
        W,
      )}
    </>
  ),
  'h-thatch': core(<Rect x={10} y={8} width={12} height={8} fill={W} />),
  'h-repel': core(<Circle cx={16} cy={5} r={4} fill="#8FB0DC" />),
  'h-soil-dry': core(
    <Path d="M13 12l3 4-2 4M19 14l-2 4 2 4" {...stroke} strokeWidth={1.6} stroke={L} />,
  ),
  'h-soil-wet': core(<Path d="M16 12c3 4 4 6 4 8a4 4 0 0 1-8 0c0-2 1-4 4-8z" fill="#8FB0DC" />),
  'h-sour': core(<Rect x={10} y={16} width={12} height={5} fill={D} />),
  'h-probe-stop': (
    <>
      <Path d="M16 3v14M10 3h12" {...stroke} strokeWidth={3} stroke={L} />
      <Rect x={4} y={19} width={24} height={9} fill="#7A5C3E" />
    </>
  ),
  'h-debris': (
    <>
      <Path d="M16 3v12M10 3h12" {...stroke} strokeWidth={3} stroke={L} />
      <Path d="M6 28l3-9h14l3 9z" fill="#AAB0B0" />
    </>
  ),
  'h-tips-burn': (
    <>
      <Path d="M16 28C13 22 12 17 13 12h7c1 5 0 10-2 16z" fill="#BFDCD2" />
      <Path d="M13 12c1-4 2-6 4-8 2 2 3 5 3 8z" fill={W} />
    </>
  ),
  'h-tips-shred': (
    <Path
      d="M11 28V12M16 28V12M21 28V12M9 12l2-6M13 12l0-7M16 12l-1-6M18 12l2-7M21 12l2-6"
      {...stroke}
      stroke={L}
    />
  ),
  'h-cut-soil': (
    <>
      <Path d="M8 22v-3M13 22v-4M18 22v-3M23 22v-4" {...stroke} strokeWidth={3} stroke={L} />
      <Rect x={3} y={22} width={26} height={6} fill="#7A5C3E" />
    </>
  ),
  'h-veins': bladeWith(
    '#E6E27A',
    <Path d="M15 26V9M18 26V8" {...stroke} strokeWidth={1.5} stroke="#16312A" />,
  ),
  'h-old-yellow': (
    <>
      <Path d="M16 28V6" {...stroke} stroke="#BFDCD2" />
      <Path
        d="M16 24c-6 0-9-2-11-5M16 24c6 0 9-2 11-5"
        {...stroke}
        strokeWidth={3}
        stroke="#E6D24A"
      />
      <Path
        d="M16 13c-4 0-6-2-7-5M16 13c4 0 6-2 7-5"
        {...stroke}
        strokeWidth={3}
        stroke="#BFDCD2"
      />
    </>
  ),
  'h-green-base': (
    <>
      <Path d="M16 4v12" {...stroke} strokeWidth={6} stroke="#D9C27E" />
      <Path d="M16 17v11" {...stroke} strokeWidth={6} stroke="#BFDCD2" />
    </>
  ),
  'h-granules': dots(
    [
      [9, 11, 2.6],
      [17, 9, 2.6],
      [24, 13, 2.6],
      [12, 19, 2.6],
      [20, 20, 2.6],
      [15, 26, 2.6],
    ],
    L,
  ),
  'h-ridges': (
    <Path d="M3 22c4 0 4-6 8-6s4 6 8 6 4-6 10-6M3 27h26" {...stroke} strokeWidth={3} stroke={W} />
  ),
  'h-fuel-smell': (
    <>
      {drop(D)}
      <Path d="M24 6c2-2-1-3 1-5M28 8c2-2-1-3 1-5" {...stroke} strokeWidth={1.6} stroke={L} />
    </>
  ),
  'h-seedling': <Path d="M10 28V18c0-5 4-6 8-4M18 14l5 0M24 28v-6" {...stroke} stroke={L} />,
  't-tug': (
    <Path d="M16 28V12M12 12c0-5 2-7 4-7s4 2 4 7M8 8l-3-3M24 8l3-3" {...stroke} stroke={L} />
  ),
  't-chinch': (
    <>
      <Path d="M8 8v18h16V8" {...stroke} stroke={L} />
      <Rect x={9} y={13} width={14} height={12} fill="#8FB0DC" />
      {dots(
        [
          [13, 13, 1.6],
          [18, 13, 1.6],
        ],
        D,
      )}
    </>
  ),
  't-grub': (
    <>
      {grub}
      <Path d="M4 4l5 5" {...stroke} stroke={W} />
    </>
  ),
  'c-dry': (
    <>
      {drop('none')}
      <Path
        d="M16 5c5 6.500 7 10 7 13a7 7 0 0 1-14 0c0-3 2-6.500 7-13zM6 27L26 5"
        {...stroke}
        stroke={L}
      />
    </>
  ),
  'c-heat': sun,
  'c-rain': cloud(<Path d="M10 20l-2 6M16 20l-2 6M22 20l-2 6" {...stroke} stroke="#8FB0DC" />),
  'c-warm-night': (
    <>
      <Path d="M22 20A10 10 0 1 1 14 5a8 8 0 0 0 8 15z" fill={L} />
      {dots(
        [
          [25, 9, 1.5],
          [22, 5, 1.2],
        ],
        W,
      )}
    </>
  ),
  'c-coolwet': cloud(<Path d="M9 22h14M11 27h10" {...stroke} stroke="#8FB0DC" />),
  'c-frost': (
    <Path d="M16 4v24M6 10l20 12M26 10L6 22M13 6l3 3 3-3M13 26l3-3 3 3" {...stroke} stroke={L} />
  ),
  'c-noirrig': (
    <>
      <Path d="M6 27A12 12 0 0 1 18 15" {...stroke} stroke={L} />
      <Path d="M4 4l24 24" {...stroke} stroke={W} />
    </>
  ),
  'c-herb': bottle(<Path d="M13 20l6 0M16 17v6" {...stroke} stroke="#8E2F22" />),
  'c-n-recent': bottle(
    dots(
      [
        [13, 19, 1.6],
        [18, 18, 1.6],
        [15, 23, 1.6],
      ],
      W,
    ),
  ),
  'c-dog': <Path d="M5 13l4-6 3 4h8l4 3v3h-4l-1 9h-3v-6h-4v6H9v-9c-3 0-4-2-4-4z" fill={L} />,
};

const BY_GROUP: [RegExp, ReactNode][] = [
  [/^c-(herb|nonsel|pre|pgr|weedfeed)/, bottle(<Path d="M13 20h6" {...stroke} stroke="#8E2F22" />)],
  [
    /^c-n-/,
    bottle(
      dots(
        [
          [13, 19, 1.6],
          [18, 18, 1.6],
          [15, 23, 1.6],
        ],
        W,
      ),
    ),
  ],
  [/^c-(long-gap|low-cut|dull)/, mower(null)],
  [/^c-(evening|daily)/, drop('#8FB0DC')],
  [
    /^c-(severe-cold|snow|deicer)/,
    <Path key="s" d="M16 4v24M6 10l20 12M26 10L6 22" {...stroke} stroke={L} />,
  ],
  [/^c-sudden/, <Path key="sudden" d="M18 3L7 18h7l-3 11 13-16h-8z" fill={W} />],
  [
    /^c-expanding/,
    <G key="expanding">
      {ring(L, 2)}
      {dots([[16, 16, 5]], W)}
    </G>,
  ],
  [
    /^c-(same-place|slow|spring|dormant)/,
    page(<Path d="M11 17h4M11 22h8" {...stroke} stroke={D} />),
  ],
  [/^c-/, person(<Path d="M22 9c4-4 8 1 4 4l-2 3" {...stroke} stroke={W} />)],
  [/^t-(ph|ec)/, core(<Path d="M16 12v10M12 17h8" {...stroke} stroke={L} />)],
  [/^t-/, page(<Path d="M11 19l4 4 7-8" {...stroke} stroke="#1F5B4E" />)],
];

/** Our own line drawing of a sign on mown green. */
export function SignPictogram({ slug, size = 32 }: { slug: string; size?: number }) {
  const drawing =
    DRAWINGS[slug] ?? BY_GROUP.find(([pattern]) => pattern.test(slug))?.[1] ?? patch(W);
  return (
    <Svg width={size} height={size} viewBox="0 0 32 32" aria-hidden>
      <Rect width={32} height={32} rx={5} fill="#2F7F6D" />
      {drawing}
    </Svg>
  );
}
