"""Factor and eight solves of the stiffness of four frames by SuperLU, one thread.

The same frames as BenchmarkStiffness in core/frame: nodes on a grid, members between
neighbours, the lowest layer held. Every member is the same tube; only where the
matrix has coefficients matters for the time.
"""
import time

import numpy as np
from scipy.sparse import coo_matrix
from scipy.sparse.linalg import splu

E, G, A, I, J, L = 210000.0, 80000.0, 456.0, 104000.0, 156000.0, 500.0


def beam(axis):
    k = np.zeros((12, 12))

    def bar(i, v):
        k[i, i] += v
        k[i + 6, i + 6] += v
        k[i, i + 6] -= v
        k[i + 6, i] -= v

    bar(0, E * A / L)
    bar(3, G * J / L)
    for shift, turn, sign in ((1, 5, 1), (2, 4, -1)):
        a, c = 12 * E * I / L**3, sign * 6 * E * I / L**2
        bar(shift, a)
        for i, j, v in ((shift, turn, c), (shift, turn + 6, c), (shift + 6, turn, -c), (shift + 6, turn + 6, -c),
                        (turn, turn + 6, 2 * E * I / L)):
            k[i, j] += v
            k[j, i] += v
        k[turn, turn] += 4 * E * I / L
        k[turn + 6, turn + 6] += 4 * E * I / L
    r = np.zeros((3, 3))
    for i in range(3):
        r[i, (axis + i) % 3] = 1
    t = np.kron(np.eye(4), r)
    return t.T @ k @ t


def frame(nx, ny, nz):
    number = lambda x, y, z: (z * ny + y) * nx + x
    rows, cols, vals = [], [], []
    held = [number(x, y, 0) for x in range(nx) for y in range(ny)] if nz > 1 else \
        [number(x, y, 0) for x in range(nx) for y in range(ny) if x in (0, nx - 1) or y in (0, ny - 1)]
    free = -np.ones(nx * ny * nz, dtype=int)
    n = 0
    kept = set(held)
    for i in range(nx * ny * nz):
        if i not in kept:
            free[i] = n
            n += 1
    shapes = [beam(a) for a in range(3)]
    for z in range(nz):
        for y in range(ny):
            for x in range(nx):
                for axis, (dx, dy, dz) in enumerate(((1, 0, 0), (0, 1, 0), (0, 0, 1))):
                    if x + dx >= nx or y + dy >= ny or z + dz >= nz:
                        continue
                    ends = free[number(x, y, z)], free[number(x + dx, y + dy, z + dz)]
                    for a in range(2):
                        for b in range(2):
                            if ends[a] < 0 or ends[b] < 0:
                                continue
                            i, j = np.meshgrid(np.arange(6), np.arange(6), indexing="ij")
                            rows.append(6 * ends[a] + i.ravel())
                            cols.append(6 * ends[b] + j.ravel())
                            vals.append(shapes[axis][6 * a:6 * a + 6, 6 * b:6 * b + 6].ravel())
    return coo_matrix((np.concatenate(vals), (np.concatenate(rows), np.concatenate(cols))), shape=(6 * n, 6 * n)).tocsc()


for name, size in (("grid45x45", (45, 45, 1)), ("tower2x2x500", (2, 2, 501)), ("lattice12", (12, 12, 12)),
                   ("lattice20x10x10", (20, 10, 10))):
    k = frame(*size)
    b = np.ones(k.shape[0])
    best = float("inf")
    for _ in range(3):
        start = time.perf_counter()
        lu = splu(k)
        for _ in range(8):
            lu.solve(b)
        best = min(best, time.perf_counter() - start)
    print(f"{name:16} {k.shape[0]:6} unknowns  {1000 * best:.0f} ms", flush=True)
