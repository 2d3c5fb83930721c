import { drawSketch, limitsOfDimension, sketchTable } from '@/core/supply';
import type { MadePart } from '@/core/record';

/**
 * The sketch of a part that the shop makes as a drawing in DXF, in millimetres and to scale: section, end view, centre
 * lines on a layer of their own, and its dimensions in words below, since the machine's own program wants the outlines.
 */
export async function writeSketchDxf(made: MadePart, title: string): Promise<string> {
  const { DxfWriter, LWPolylineFlags, Units } = await import('@tarikjabiri/dxf');
  const drawing = new DxfWriter();
  drawing.setUnits(Units.Millimeters);
  drawing.addLayer('OUTLINE', 7, 'Continuous');
  drawing.addLType('CENTRE', 'long dash, dot', [12, -3, 1, -3]);
  drawing.addLayer('CENTRE', 1, 'CENTRE');
  drawing.addLayer('WORDS', 3, 'Continuous');
  const { section, end, length, diameter } = drawSketch(made);
  const centre = length + diameter * 0.75;
  const at = (x: number, y: number) => ({ x, y, z: 0 });

  drawing.setCurrentLayerName('OUTLINE');
  for (const outline of section)
    drawing.addLWPolyline(
      outline.map(([x, y]) => ({ point: { x, y } })),
      { flags: LWPolylineFlags.Closed },
    );
  for (const { x, y, r, isCentreLine } of end) {
    drawing.setCurrentLayerName(isCentreLine ? 'CENTRE' : 'OUTLINE');
    drawing.addCircle(at(centre + x, y), r);
  }
  drawing.setCurrentLayerName('CENTRE');
  drawing.addLine(at(-diameter / 10, 0), at(length + diameter / 10, 0));
  drawing.setCurrentLayerName('WORDS');
  const height = Math.max(2, diameter / 30);
  wordsOf(made, title).forEach((line, i) =>
    drawing.addText(at(0, -diameter / 2 - (i + 2) * height * 1.6), height, line),
  );
  return drawing.stringify();
}

function wordsOf(made: MadePart, title: string): readonly string[] {
  const sizes = made.dimensions.map((dimension) => {
    const about = sketchTable[made.shape].dimensions.find(({ id }) => id === dimension.id);
    const limits = limitsOfDimension(made, dimension);
    const said = about?.unit === 'mm' && limits ? `${dimension.tolerance} (${limits.min} to ${limits.max} mm)` : '';
    return `${about?.title ?? dimension.id}: ${dimension.nominal} ${said}`.trim();
  });
  return [`${made.number} ${title}`, made.material, ...sizes].filter(Boolean);
}
