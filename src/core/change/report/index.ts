export { correctReport, issueReport } from './reports';
export { deliverPump, releasePump } from './returns';
