export { writeAsBuiltPdf } from './as-built-pdf';
export { writeBookletPdf } from './booklet-pdf';
export { writeQuotePdf } from './quote-pdf';
export { writeTagPdf } from './tag-pdf';
export { writeTravellerPdf } from './traveller-pdf';
export { writeLabelsPdf } from './labels-pdf';
export { writeSketchDxf } from './sketch-dxf';
export { writeOrderPdf } from './order-pdf';
export { writeOrderUbl, type OrderParties } from './order-ubl';
