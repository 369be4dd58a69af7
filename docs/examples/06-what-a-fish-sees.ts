// How much of an angler a fish sees over its window's edge (Snell)
import { rayToFish, windowRadiusM } from '../../core/sight/index';

console.log(`the window of a fish .5 m down is ${windowRadiusM(0.5).toFixed(2)} m wide each way`);
for (const heightM of [1.7, 0.9]) {
  const ray = rayToFish({ distanceM: 8, heightM, fishDepthM: 0.5 });
  const deg = (ray.elevationRad * 180) / Math.PI;
  console.log(`a head ${heightM} m up, 8 m off, stands ${deg.toFixed(1)}° over the water`);
}
