export { orderParts } from './order-parts';
export { receiveParts } from './receive-parts';
export { acknowledgeOrder, orderNumbered, takeParcel, type Parcel } from './supplier-answers';
