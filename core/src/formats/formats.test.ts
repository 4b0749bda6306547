import { area as turfArea } from '@turf/area';
import { polygonArea } from '../lawn';
import { SQUARE_METRES_PER_SQUARE_FOOT } from '../units';
import { parseCustomersCsv, writeCustomersCsv } from './customersCsv';
import { parseLawnGeoJson, writeLawnGeoJson } from './lawnGeoJson';
import { hasPlaceData, withoutPlaceData } from './photoPlace';
import { parseSoilReportCsv, writeSoilReportCsv } from './soilReportCsv';

const box = (x: number, y: number, width: number, height: number) => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

describe('a customer list', () => {
  const csv = [
    'Customer,Phone,Email,Property,Upkeep,Pets,Mows',
    'Mabel Thornapple,555 0100,mabel@test.example,1 Elm Way,showpiece,yes,owner',
    'Mabel Thornapple,,,2 Elm Way,,no,',
    ',,,3 Elm Way,,,',
    'Bad Mail,,not-an-address,4 Elm Way,,,',
    'Twice,,,1 elm  way,,,',
    'Odd,,,5 Elm Way,lavish,maybe,the cat',
    'Known,,,9 Old Road,,,',
  ].join('\n');
  it('takes the good lines and names the fault of each other at its column', () => {
    const { properties, errors } = parseCustomersCsv(csv, 'transition', ['9 Old Road']);
    expect(properties.map(({ row, property }) => [row, property.name, property.region])).toEqual([
      [2, '1 Elm Way', 'transition'],
      [3, '2 Elm Way', 'transition'],
    ]);
    expect(properties[0]).toMatchObject({
      customer: { name: 'Mabel Thornapple', email: 'mabel@test.example' },
      property: { upkeep: 'showpiece', property: { pets: true, mows: 'owner', waters: 'unknown' } },
    });
    expect(errors.map(({ row, column }) => `${row} ${column}`)).toEqual(
      expect.arrayContaining([
        '4 customer',
        '5 email',
        '6 property',
        '7 upkeep',
        '7 pets',
        '7 mows',
        '8 property',
      ]),
    );
    expect(errors).toHaveLength(7);
  });
  it('says which column is missing and that a file is empty', () => {
    expect(parseCustomersCsv('name,property\na,b', 'north').errors).toEqual([
      { row: 1, column: 'customer', message: 'there is no column customer' },
    ]);
    expect(parseCustomersCsv('', 'north').errors[0]).toMatchObject({
      message: 'the file is empty',
    });
  });
  it('comes back as it went out', () => {
    const { properties } = parseCustomersCsv(csv, 'south');
    const again = parseCustomersCsv(writeCustomersCsv(properties), 'north');
    expect(again.errors).toEqual([]);
    expect(again.properties.map(({ customer, property }) => ({ customer, property }))).toEqual(
      properties.map(({ customer, property }) => ({ customer, property })),
    );
  });
});

describe('soil reports', () => {
  const csv = [
    'bag,reported_on,ph,buffer_ph,buffer_method,extractant,p_ppm,k_ppm,om_pct',
    'Q-1,2026-04-02,5.6,6.4,SMP,Mehlich-3,18,92,3.1',
    'Q-2,2026-04-02,17,,,mehlich-3,,,',
    'Q-9,2026-04-02,6.1,,,mehlich-3,,,',
  ].join('\n');
  it('reads a bag, refuses a figure that cannot be and a bag that is not ours', () => {
    const { reports, errors } = parseSoilReportCsv(csv, ['Q-1', 'Q-2']);
    expect(reports).toEqual([
      {
        bagId: 'Q-1',
        report: expect.objectContaining({
          ph: 5.6,
          bufferPh: 6.4,
          bufferMethod: 'smp',
          phosphorusPpm: 18,
          sulfurPpm: null,
        }) as object,
      },
    ]);
    expect(errors.map(({ row, column }) => [row, column])).toEqual([
      [3, 'ph'],
      [4, 'bag'],
    ]);
    expect(parseSoilReportCsv(writeSoilReportCsv(reports), ['Q-1']).reports).toEqual(reports);
  });
});

describe('GeoJSON (RFC 7946)', () => {
  const lawn = {
    name: '1 Test Street',
    origin: { lat: 36.2, lon: -30.1 },
    zones: [
      {
        id: '0190a000-0000-7000-8000-000000000001',
        name: 'Back',
        outline: box(0, 0, 120, 80),
        cutouts: [box(20, 20, 30, 20)],
        edges: [
          'confirmed' as const,
          'assumed' as const,
          'confirmed' as const,
          'confirmed' as const,
        ],
        measure: { method: 'tape' as const, cornerSigmaFt: null },
      },
    ],
  };
  it('winds outer rings counter-clockwise and holes clockwise, and closes them', () => {
    const { features } = writeLawnGeoJson(lawn);
    const [outer, hole] = features[0]!.geometry.coordinates as [number, number][][];
    const signed = (ring: [number, number][]) =>
      ring
        .slice(0, -1)
        .reduce((sum, [x, y], i) => sum + x * ring[i + 1]![1] - ring[i + 1]![0] * y, 0);
    expect(signed(outer!)).toBeGreaterThan(0);
    expect(signed(hole!)).toBeLessThan(0);
    expect(outer![0]).toEqual(outer![4]);
    expect(features[0]!.properties).toMatchObject({ name: 'Back', assumedEdges: 1 });
    expect(turfArea(features[0]!) / SQUARE_METRES_PER_SQUARE_FOOT / 9000).toBeCloseTo(1, 2);
  });
  it('brings back the shape, and the area that the ellipsoid gives it', () => {
    const { zones, errors, origin } = parseLawnGeoJson(JSON.stringify(writeLawnGeoJson(lawn)));
    expect(errors).toEqual([]);
    expect(origin!.lat).toBeCloseTo(36.2, 8);
    expect(zones[0]!.geodesicFt2 / 9000).toBeCloseTo(1, 4);
    const net = polygonArea(zones[0]!.outline) - polygonArea(zones[0]!.cutouts[0]!);
    expect(net).toBeCloseTo(zones[0]!.geodesicFt2, 6);
  });
  it('reads rings that wind the wrong way, and parts of a multi-polygon', () => {
    const { geometry } = writeLawnGeoJson(lawn).features[0]!;
    const reversed = {
      type: 'Polygon',
      coordinates: geometry.coordinates.map((ring) => [...ring].reverse()),
    };
    expect(parseLawnGeoJson(JSON.stringify(reversed)).zones[0]!.geodesicFt2 / 9000).toBeCloseTo(
      1,
      4,
    );
    const multi = {
      type: 'MultiPolygon',
      coordinates: [geometry.coordinates, geometry.coordinates],
    };
    expect(parseLawnGeoJson(JSON.stringify(multi)).zones).toHaveLength(2);
  });
  it('names what it cannot take', () => {
    const of = (value: unknown) =>
      parseLawnGeoJson(typeof value === 'string' ? value : JSON.stringify(value)).errors[0]
        ?.message;
    const polygon = (ring: number[][]) => ({ type: 'Polygon', coordinates: [ring] });
    expect(of('{')).toBe('this is no JSON');
    expect(of({ type: 'Point', coordinates: [0, 0] })).toBe('this is no GeoJSON with polygons');
    expect(
      of({
        type: 'FeatureCollection',
        features: [
          { type: 'Feature', properties: null, geometry: { type: 'Point', coordinates: [1, 1] } },
        ],
      }),
    ).toBe('only polygons can be zones');
    expect(
      of(
        polygon([
          [0, 0],
          [1, 0],
          [0, 0],
        ]),
      ),
    ).toBe('a ring has at least four positions');
    expect(
      of(
        polygon([
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ]),
      ),
    ).toBe('a ring ends where it began');
    expect(
      of(
        polygon([
          [0, 95],
          [1, 95],
          [1, 96],
          [0, 95],
        ]),
      ),
    ).toBe('positions are longitude, then latitude, in degrees');
    expect(
      of(
        polygon([
          [0, 0],
          [1, 1],
          [1, 0],
          [0, 1],
          [0, 0],
        ]),
      ),
    ).toBe('a ring crosses itself');
  });
});

describe('a photo’s place', () => {
  const segment = (marker: number, text: string) => {
    const body = new TextEncoder().encode(text);
    return [0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255, ...body];
  };
  const jpeg = (...parts: number[][]) =>
    new Uint8Array([0xff, 0xd8, ...parts.flat(), 0xff, 0xda, 0, 2, 1, 2, 3, 0xff, 0xd9]);
  it('is seen and taken out of a JPEG, the picture untouched', () => {
    const tagged = jpeg(
      segment(0xe0, 'JFIF'),
      segment(0xe1, 'Exif GPS'),
      segment(0xed, 'IPTC'),
      segment(0xdb, 'table'),
    );
    expect(hasPlaceData(tagged)).toBe(true);
    const clean = withoutPlaceData(tagged);
    expect(hasPlaceData(clean)).toBe(false);
    expect([...clean]).toEqual([...jpeg(segment(0xe0, 'JFIF'), segment(0xdb, 'table'))]);
    expect(withoutPlaceData(clean)).toBe(clean);
  });
  it('is seen in a PNG and is not in other bytes', () => {
    const png = (chunk: string) =>
      new Uint8Array([0x89, 0x50, 0x4e, 0x47, ...new TextEncoder().encode(chunk)]);
    expect(hasPlaceData(png('IHDR eXIf'))).toBe(true);
    expect(hasPlaceData(png('IHDR IDAT'))).toBe(false);
    expect(hasPlaceData(new Uint8Array([1, 2]))).toBe(false);
  });
});
