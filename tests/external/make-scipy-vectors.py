"""Makes scipy-vectors.json: what scipy's Butterworth design, zero-lag filter, smoothing spline and Student quantiles give for fixed inputs.

Run with Debian's python3-scipy: python3 tests/external/make-scipy-vectors.py
"""
import json
import pathlib

import numpy
import scipy
from scipy.interpolate import make_smoothing_spline
from scipy.signal import butter, filtfilt
from scipy.stats import t as student

cases = []
for cutoff, rate, n, seed in [(6.0, 60.0, 80, 1), (14.0 / 0.802, 120.0, 120, 2), (4.0, 50.0, 40, 3), (10.0, 240.0, 200, 4)]:
    random = numpy.random.RandomState(seed)
    t = numpy.arange(n) / rate
    x = 300 + 40 * numpy.sin(2 * numpy.pi * 1.7 * t) + 12 * numpy.cos(2 * numpy.pi * 4.1 * t) + random.normal(0, 2, n)
    b, a = butter(2, cutoff, fs=rate)
    y = filtfilt(b, a, x, padlen=6)
    cases.append({"cutoff": cutoff, "rate": rate, "b": list(b), "a": list(a), "input": list(x), "output": list(y)})

splines = []
for n, lam, seed in [(40, 1e-5, 1), (25, 1e-3, 2)]:
    random = numpy.random.RandomState(seed)
    times = numpy.cumsum(0.005 + 0.01 * random.random_sample(n))
    samples = 20 * numpy.sin(9 * times) + random.normal(0, 1, n)
    weights = numpy.where(random.random_sample(n) < 0.2, 16.0, 1.0)
    smooth = make_smoothing_spline(times, samples, weights, lam)(times)
    splines.append({"lambda": lam, "times": list(times), "samples": list(samples), "weights": list(weights), "output": list(smooth)})

quantiles = [{"p": p, "freedom": f, "value": student.ppf(p, f)} for p in (0.9, 0.975, 0.995) for f in (1, 2, 4, 7.5, 30)]

out = pathlib.Path(__file__).parent / "scipy-vectors.json"
out.write_text(json.dumps({"origin": f"scipy {scipy.__version__}: butter(2, cutoff, fs=rate), filtfilt(b, a, x, padlen=6), make_smoothing_spline, stats.t.ppf", "cases": cases, "splines": splines, "quantiles": quantiles}))
