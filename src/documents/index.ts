export { writeAsBuiltPdf } from './as-built-pdf';
export { writeQuotePdf } from './quote-pdf';
export { writeTagPdf } from './tag-pdf';
