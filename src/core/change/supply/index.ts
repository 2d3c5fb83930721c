export { chooseSource, givePart, layReady, type DonorPart, type SourceFacts } from './choose-source';
export { findNumber, layInTray, readLabelHere, settleNumber, type LabelFacts } from './labels';
export { handOverMade, measureMade, releaseMade, workOnMade, writeMade } from './made';
export { orderParts, type OrderFacts, type OrderPlanned } from './order-parts';
export { sendOutside, takeBack, writeOutside } from './outside';
export { receiveParts, sendClaim } from './receive-parts';
export { acknowledgeOrder, cutOrder, moveOrder, orderNumbered, takeParcel, type Parcel } from './supplier-answers';
