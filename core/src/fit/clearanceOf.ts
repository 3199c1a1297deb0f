import {
  fromHead,
  fromHungLimb,
  fromLimb,
  fromNearest,
  fromNeck,
  fromTorso,
  type Clearance,
} from '../body/clearance';
import type { Body } from '../body/estimate';
import type { Zone } from '../forms/contract';
import { hangOn } from '../forms/hang';

/** Clearance from the parts of the body that forms of a zone can touch, in the space those forms are drawn in. */
export function clearanceOf(body: Body, zone: Zone): Clearance {
  switch (zone) {
    case 'forearm':
    case 'upperArm':
    case 'lowerLeg':
    case 'thigh':
      return fromLimb(body, zone);
    case 'head':
      return fromNearest(fromHead(body), fromNeck(body));
    case 'neck':
      // A collar rests on the shoulders by its lower edge; what counts is the room round the neck.
      return fromNeck(body);
    case 'torso':
    case 'back':
      return fromTorso(body);
    case 'hips':
      return fromNearest(fromTorso(body), fromHungLimb(body, 'thigh', 1), fromHungLimb(body, 'thigh', -1));
    case 'shoulder':
    case 'elbow':
    case 'knee': {
      const limbs = {
        shoulder: ['upperArm'],
        elbow: ['upperArm', 'forearm'],
        knee: ['thigh', 'lowerLeg'],
      } as const;
      const nearest = fromNearest(...limbs[zone].map((limb) => fromHungLimb(body, limb, 1)));
      const hang = hangOn(body, zone, 1);
      return (p) => nearest(hang(p));
    }
  }
}
