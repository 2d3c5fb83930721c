import { stationNames, type Station } from '../record';
import { list, plural } from './words';

/** Why what is filled in on a sheet is refused: cleaning, residue, first look, return. */
export const sheetSentences = {
  'method-spoils': ({ part, method, spoiled }: { part: string; method: string; spoiled: string }) =>
    `${part} is not for ${method}: ${spoiled}. Take it out of this run.`,
  'cleaning-fact-wanted': ({ method, ask }: { method: string; ask: string }) =>
    `${method}: “${ask}” is not answered; without it the run is no record.`,
  'mask-unsaid': ({ mask }: { mask: string }) =>
    `Blasting: say of ${mask} that they were masked, or that there are none.`,
  'film-under-policy': ({ film }: { film: string }) =>
    `Mild acid: a film was left (“${film}”), and this job is cleaned to metal everywhere. Clean it off, or let this job depart from that way with a reason.`,
  'plugs-left': ({ plugged, opened }: { plugged: number; opened: number }) =>
    `${plugged} ${plural(plugged, 'port was', 'ports were')} plugged and ${opened} opened again: a plug that stays in is found by the customer.`,
  'part-unseen-after-cleaning': ({ part }: { part: string }) =>
    `${part}: look at it again now that it is clean, and say whether something is seen.`,
  'damage-unsaid': ({ part }: { part: string }) => `${part}: say what is seen on it.`,
  'liquid-unnamed': ({ typed }: { typed: string }) =>
    `“${typed}” names no liquid: name it from its sheet, or say that it is not known; then the pump stays shut until a residue record allows it.`,
  'no-residue-sheet': ({ tag }: { tag: string }) =>
    `Nothing is written down about what is in ${tag}: describe it first.`,
  'residue-not-known': ({ tag, unknowns }: { tag: string; unknowns: readonly string[] }) =>
    `${tag} stays shut: ${list(unknowns, 'and')} is not written down yet.`,
  'residue-shut': ({ tag }: { tag: string }) =>
    `What is in ${tag} is not known, and nobody has allowed that it is opened: it stays shut until a named person does.`,
  'came-complete': ({ tag }: { tag: string }) =>
    `${tag} was received as complete: say first that it came partly dismantled or in parts.`,
  'evaluation-sent': ({ to }: { to: string }) =>
    `It was sent to ${to} and stays as it was sent; begin another one beside it.`,
  'no-evaluation': ({ tag }: { tag: string }) => `Nobody has evaluated ${tag} yet.`,
  'beyond-guess': ({ over }: { over: string }) =>
    `It goes ${over} beyond the first guess that the customer was sent: say why, they will read it.`,
  'no-warranty-return': ({ tag }: { tag: string }) =>
    `${tag} did not come back within the warranty of that job: there is nothing to judge.`,
  'share-against-judgement': ({ judgement, sharePct }: { judgement: string; sharePct: number }) =>
    `“${judgement}” does not go with ${sharePct} %: ours is 100 %, theirs is 0 %, shared lies between.`,
  'repaired-already': ({ tag }: { tag: string }) => `${tag} is repaired and tested: it goes back to its owner.`,
  'not-to-reassemble': ({ tag }: { tag: string }) => `${tag} does not go back reassembled: say so first.`,
  'goes-back': ({ tag }: { tag: string }) => `${tag} goes back to its owner: it is closed with its delivery.`,
  'stays-here': ({ tag }: { tag: string }) => `${tag} does not leave the house, by its owner’s word.`,
  'not-packed': ({ tag, gaps }: { tag: string; gaps: readonly string[] }) =>
    `${tag} is not released: ${list(gaps, 'and')}.`,
  'more-blanks-than-ports': ({ blanks, ports }: { blanks: number; ports: number }) =>
    `${blanks} ${plural(blanks, 'blank is', 'blanks are')} counted on ${ports} ${plural(ports, 'port', 'ports')}: count again.`,
  'intake-reason': ({ tag, station }: { tag: string; station: Station }) =>
    `${tag} is at ${stationNames[station]} by now: say why what was written down at receiving is changed.`,
  'not-repaired': ({ tag }: { tag: string }) => `${tag} was not repaired: it has no report to go back to.`,
  'came-alone': ({ tag }: { tag: string }) => `${tag} came alone: it shares nothing with other units.`,
  'unknown-lot': ({ lot }: { lot: string }) => `There is no lot ${lot}.`,
  'lot-of-another': ({ lot, owner }: { lot: string; owner: string }) =>
    `Lot ${lot} is of ${owner}: a pump of somebody else does not come in it.`,
  'lot-not-quoted': ({ lot, tags }: { lot: string; tags: readonly string[] }) =>
    `The units of ${lot} are quoted together: ${list(tags, 'and')} ${plural(tags.length, 'has', 'have')} no draft yet that can go out.`,
  'lot-not-together': ({ lot, tags }: { lot: string; tags: readonly string[] }) =>
    `The units of ${lot} are delivered together: ${list(tags, 'and')} ${plural(tags.length, 'is', 'are')} not released yet.`,
  'unknown-school': ({ matter, school }: { matter: string; school: string }) =>
    `${matter}: “${school}” is no way that this shop knows.`,
  'policy-reason': ({ matter }: { matter: string }) => `${matter}: say why this job departs from the shop’s way.`,
  'school-already': ({ matter }: { matter: string }) => `${matter}: this job follows that way already.`,
  'at-risk-never': ({ tag }: { tag: string }) =>
    `Nothing is ordered before approval in this shop: agree on a limit with the customer of ${tag}, or depart from the policy by name and with a reason.`,
} as const;
