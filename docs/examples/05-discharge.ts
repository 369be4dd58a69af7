// Discharge of a taped section (ISO 748, mid-section method)
import { dischargeMidSection } from '../../core/water/index';

const { dischargeM3s, areaM2 } = dischargeMidSection([
  { offsetM: 0, depthM: 0, speedMps: 0 },
  { offsetM: 1, depthM: 0.4, speedMps: 0.3 },
  { offsetM: 2, depthM: 0.5, speedMps: 0.5 },
  { offsetM: 3, depthM: 0.3, speedMps: 0.4 },
  { offsetM: 4, depthM: 0, speedMps: 0 },
]);
console.log(`${dischargeM3s.toFixed(2)} m³/s through ${areaM2.toFixed(1)} m²`);
