export { writeAsBuiltPdf } from './as-built-pdf';
export { writeBookletPdf, writeTravellerPdf } from './family-pdf';
export { writeQuotePdf } from './quote-pdf';
export { writeTagPdf } from './tag-pdf';
