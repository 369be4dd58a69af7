/*
 * The step of core/water/assembly/shallow.ts in C, in single precision and row by row, for the compiler
 * to vectorise: what the WebAssembly step is timed against. No part of the product. Prints nanoseconds a
 * cell and step, and the mean speed, on the made reach of bench/kernels.ts.
 *
 *   gcc -O3 -march=native -ffast-math -fopenmp-simd -o shallow bench/c/shallow.c -lm && ./shallow 200 60 1000
 */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#define PAD 4
#define FILM 0.002f
#define G 9.81f
#define WALL 1e4f

static int nx, ny, S, size;
static float cellM = 0.2f, wall, *zb, *zu, *zv, *gnn, *d84, *h, *eta, *u, *v, *un, *vn, *hu, *hv, *qx, *qy, *cf, *nu;
static float *cu, *cuq, *kv, *kvq, *ku[2], *kuq[2], *cv[2], *cvq[2];
static double dtS;
static const double Q = 3;

static float *field(float value) {
  float *f = aligned_alloc(64, (size * sizeof(float) + 63) / 64 * 64);
  for (int k = 0; k < size; k++) f[k] = value;
  return f;
}
static inline float max(float a, float b) { return a > b ? a : b; }
#define ROW(j) (((j) + PAD) * S)

static inline float carried(float q, float lowFar, float low, float high, float highFar) {
  float a = q > 0 ? low : high, o = q > 0 ? high : low, f = q > 0 ? lowFar : highFar;
  float c = (a - f) * (o - a);
  float more = c / (o - f);
  return q * (a + (c > 0 ? more : 0));
}

static void fluxes(int j, int odd) {
  float *restrict a = cu, *restrict b = cuq, *restrict c = kv, *restrict d = kvq;
  float *restrict e = ku[odd], *restrict f = kuq[odd], *restrict g = cv[!odd], *restrict i = cvq[!odd];
  const float *restrict U = u + ROW(j), *restrict V = v + ROW(j), *restrict X = qx + ROW(j), *restrict Y = qy + ROW(j);
#pragma omp simd
  for (int k = 2; k < S - 2; k++) {
    float q = 0.5f * (X[k - 1] + X[k]);
    b[k] = q;
    a[k] = carried(q, U[k - 2], U[k - 1], U[k], U[k + 1]);
    q = 0.5f * (Y[k] + Y[k + 1]);
    f[k] = q;
    e[k] = carried(q, U[k - S], U[k], U[k + S], U[k + 2 * S]);
    q = 0.5f * (X[k] + X[k + S]);
    d[k] = q;
    c[k] = carried(q, V[k - 1], V[k], V[k + 1], V[k + 2]);
    q = 0.5f * (Y[k] + Y[k + S]);
    i[k] = q;
    g[k] = carried(q, V[k - S], V[k], V[k + S], V[k + 2 * S]);
  }
}

static inline float renewed(float w, float x, float e0, float e1, float zf, float h0, float h1, float cf2, float nu2,
                            float by, float wl, float wr, float lap, float dt, float perDx, float wall) {
  float level = w > 0 ? e0 : w < 0 ? e1 : max(e0, e1);
  float depth = level - zf, speed = sqrtf(w * w + x * x), mean = max(FILM, 0.5f * (h0 + h1));
  float drag = speed * (0.5f * cf2 + wall * perDx * depth * (2 - wl - wr));
  float viscous = 0.5f * nu2 * lap * perDx * perDx, slope = G * (e1 - e0) * perDx;
  float top = ((w + dt * (viscous - slope)) * mean - dt * by) * depth;
  float safe = depth > FILM ? depth : FILM;
  float new = top / (mean * (safe + dt * drag));
  return depth > FILM ? new : 0;
}

static void velocities(int j, float dt, int odd) {
  const float perDx = 1 / cellM;
  const float *restrict U = u + ROW(j), *restrict V = v + ROW(j), *restrict H = h + ROW(j), *restrict E = eta + ROW(j);
  const float *restrict HU = hu + ROW(j), *restrict HV = hv + ROW(j), *restrict C = cf + ROW(j), *restrict N = nu + ROW(j);
  const float *restrict ZU = zu + ROW(j), *restrict ZV = zv + ROW(j);
  const float *restrict K1 = ku[odd], *restrict K0 = ku[!odd], *restrict Q1 = kuq[odd], *restrict Q0 = kuq[!odd];
  const float *restrict V1 = cv[!odd], *restrict V0 = cv[odd], *restrict P1 = cvq[!odd], *restrict P0 = cvq[odd];
  const float *restrict CU = cu, *restrict CQ = cuq, *restrict KV = kv, *restrict KQ = kvq;
  float *restrict newU = un + ROW(j), *restrict newV = vn + ROW(j);
  const float wallHere = wall;
#pragma omp simd
  for (int k = 3; k < S - 3; k++) {
    float w = U[k], wl = HU[k + S] > FILM, wr = HU[k - S] > FILM;
    float x = 0.25f * (V[k] + V[k + 1] + V[k - S] + V[k - S + 1]);
    float in = CQ[k + 1] - CQ[k] + Q1[k] - Q0[k];
    float by = (CU[k + 1] - CU[k] + K1[k] - K0[k] - w * in) * perDx;
    float lap = wl * (U[k + S] - w) + wr * (U[k - S] - w) + (HU[k + 1] > FILM ? U[k + 1] - w : 0) +
                (HU[k - 1] > FILM ? U[k - 1] - w : 0);
    newU[k] = renewed(w, x, E[k], E[k + 1], ZU[k], H[k], H[k + 1], C[k] + C[k + 1], N[k] + N[k + 1], by, wl, wr, lap, dt, perDx, wallHere);
    w = V[k], wl = HV[k + 1] > FILM, wr = HV[k - 1] > FILM;
    x = 0.25f * (U[k] + U[k + S] + U[k - 1] + U[k + S - 1]);
    in = P1[k] - P0[k] + KQ[k] - KQ[k - 1];
    by = (V1[k] - V0[k] + KV[k] - KV[k - 1] - w * in) * perDx;
    lap = wl * (V[k + 1] - w) + wr * (V[k - 1] - w) + (HV[k + S] > FILM ? V[k + S] - w : 0) +
          (HV[k - S] > FILM ? V[k - S] - w : 0);
    newV[k] = renewed(w, x, E[k], E[k + S], ZV[k], H[k], H[k + S], C[k] + C[k + S], N[k] + N[k + S], by, wl, wr, lap, dt, perDx, wallHere);
  }
  if (newU[PAD - 1] > 0) newU[PAD - 1] = 0;
}

static void ghosts(void) {
  for (int j = 0; j < ny; j++) {
    int p = ROW(j) + PAD, g = p - 1;
    h[g] = h[p], eta[g] = zb[g] + h[g], u[g - 1] = u[g], qx[g - 1] = qx[g], v[g] = v[p], qy[g] = qy[p];
    g = p + nx;
    h[g] = h[g - 1], eta[g] = eta[g - 1], u[g] = u[g - 1], qx[g] = qx[g - 1];
  }
}

static void inflow(void) {
  double all = 0;
  for (int j = 0; j < ny; j++) {
    float d = h[ROW(j) + PAD + nx - 1];
    if (d > FILM) all += d * cbrtf(d) * cbrtf(d) / 0.04f;
  }
  for (int j = 0; j < ny; j++) {
    int k = ROW(j) + PAD + nx - 1;
    float d = h[k];
    u[k] = d > FILM ? (float)(-(d * cbrtf(d) * cbrtf(d) / 0.04f * Q) / (all * cellM) / d) : 0;
  }
}

static void continuity(float dt) {
  const float c = dt / cellM;
  for (int j = 0; j < ny; j++) {
    const float *E = eta + ROW(j), *restrict U = u + ROW(j), *restrict V = v + ROW(j);
    float *restrict HU = hu + ROW(j), *restrict HV = hv + ROW(j), *restrict X = qx + ROW(j), *restrict Y = qy + ROW(j);
    const float *restrict ZU = zu + ROW(j), *restrict ZV = zv + ROW(j);
#pragma omp simd
    for (int k = 0; k < S - 1; k++) {
      float a = U[k] > 0 ? E[k] : U[k] < 0 ? E[k + 1] : max(E[k], E[k + 1]);
      float b = V[k] > 0 ? E[k] : V[k] < 0 ? E[k + S] : max(E[k], E[k + S]);
      HU[k] = max(0, a - ZU[k]), HV[k] = max(0, b - ZV[k]);
      X[k] = HU[k] * U[k], Y[k] = HV[k] * V[k];
    }
    int k = PAD + nx - 1;
    HU[k] = h[ROW(j) + k], X[k] = HU[k] * U[k];
    float *restrict H = h + ROW(j), *EE = eta + ROW(j);
    const float *restrict Y0 = qy + ROW(j - 1), *restrict Z = zb + ROW(j);
    for (k = PAD; k < PAD + nx; k++) {
      float d = H[k] - c * (X[k] - X[k - 1] + Y[k] - Y0[k]);
      H[k] = max(0, d);
      EE[k] = Z[k] + H[k];
    }
  }
}

static void coefficients(void) {
  float fastest = 1e-9f;
  for (int j = 0; j < ny; j++)
    for (int k = ROW(j) + PAD - 1; k < ROW(j) + PAD + nx; k++) {
      float d = max(FILM, h[k]), c = gnn[k] / cbrtf(d), x = d / d84[k], root = cbrtf(x);
      float stones = (42.25f + 6.25f * x * root * root) / (42.25f * 6.25f * x * x);
      cf[k] = h[k] > FILM ? max(c, stones) : c;
      float a = max(fabsf(u[k]), fabsf(u[k - 1])), b = max(fabsf(v[k]), fabsf(v[k - S]));
      nu[k] = 0.001f + (h[k] > FILM ? 0.2f * sqrtf(cf[k]) * sqrtf(a * a + b * b) * d : 0);
      if (h[k] > FILM) fastest = max(fastest, a + b + sqrtf(2 * G * d));
    }
  dtS = 0.9 * cellM / fastest;
}

static void step(int n) {
  if (n % 10 == 0) coefficients();
  float dt = dtS;
  ghosts();
  int odd = 0;
  for (int j = -1; j < ny; j++) {
    fluxes(j, odd);
    if (j >= 0) velocities(j, dt, odd);
    odd = !odd;
  }
  float *t = u;
  u = un, un = t, t = v, v = vn, vn = t;
  inflow();
  continuity(dt);
}

int main(int argc, char **argv) {
  nx = argc > 1 ? atoi(argv[1]) : 200, ny = argc > 2 ? atoi(argv[2]) : 60;
  int steps = argc > 3 ? atoi(argv[3]) : 1000;
  S = (nx + 2 * PAD + 3) / 4 * 4, size = S * (ny + 2 * PAD);
  wall = powf(0.41f / logf(fmaxf(2, 0.5f * cellM / 0.013f)), 2);
  zb = field(WALL), gnn = field(G * 0.04f * 0.04f), d84 = field(0.1f), h = field(0);
  for (int j = 0; j < ny; j++) {
    for (int i = 0; i < nx; i++) {
      double bed = 0.01 * i * 0.2 + 0.03 * sin(i * 0.7 + j * 1.3);
      int dry = j < 4 || j > ny - 5 || hypot(i - 100, j - 30) < 4;
      if (dry) bed += 1;
      else h[ROW(j) + PAD + i] = 0.5f;
      zb[ROW(j) + PAD + i] = bed;
    }
    zb[ROW(j) + PAD - 1] = zb[ROW(j) + PAD], zb[ROW(j) + PAD + nx] = zb[ROW(j) + PAD + nx - 1];
  }
  zu = field(WALL), zv = field(WALL), eta = field(WALL);
  for (int k = 0; k + S < size; k++) {
    zu[k] = max(zb[k], zb[k + 1]), zv[k] = max(zb[k], zb[k + S]);
    eta[k] = zb[k] + h[k];
  }
  for (int j = -1; j < ny; j++) zv[ROW(j) + PAD + nx] = WALL;
  u = field(0), v = field(0), un = field(0), vn = field(0), hu = field(0), hv = field(0), qx = field(0), qy = field(0);
  cf = field(0), nu = field(0), cu = field(0), cuq = field(0), kv = field(0), kvq = field(0);
  for (int n = 0; n < 2; n++) ku[n] = field(0), kuq[n] = field(0), cv[n] = field(0), cvq[n] = field(0);
  for (int n = 0; n < 600; n++) step(n);
  struct timespec a, b;
  clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &a);
  for (int n = 0; n < steps; n++) step(n);
  clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &b);
  double ns = (b.tv_sec - a.tv_sec) * 1e9 + (b.tv_nsec - a.tv_nsec), sum = 0;
  for (int j = 0; j < ny; j++)
    for (int i = 0; i < nx; i++) sum += hypot(u[ROW(j) + PAD + i], v[ROW(j) + PAD + i]);
  printf("{\"ns\": %.2f, \"meanMps\": %.5f}\n", ns / steps / nx / ny, sum / nx / ny);
  return 0;
}
