"""Makes scipy-vectors.json: what scipy's Butterworth design and zero-lag filter give for fixed inputs.

Run with Debian's python3-scipy: python3 tests/external/make-scipy-vectors.py
"""
import json
import pathlib

import numpy
import scipy
from scipy.signal import butter, filtfilt

cases = []
for cutoff, rate, n, seed in [(6.0, 60.0, 80, 1), (14.0 / 0.802, 120.0, 120, 2), (4.0, 50.0, 40, 3), (10.0, 240.0, 200, 4)]:
    random = numpy.random.RandomState(seed)
    t = numpy.arange(n) / rate
    x = 300 + 40 * numpy.sin(2 * numpy.pi * 1.7 * t) + 12 * numpy.cos(2 * numpy.pi * 4.1 * t) + random.normal(0, 2, n)
    b, a = butter(2, cutoff, fs=rate)
    y = filtfilt(b, a, x, padlen=6)
    cases.append({"cutoff": cutoff, "rate": rate, "b": list(b), "a": list(a), "input": list(x), "output": list(y)})

out = pathlib.Path(__file__).parent / "scipy-vectors.json"
out.write_text(json.dumps({"origin": f"scipy {scipy.__version__}: butter(2, cutoff, fs=rate), filtfilt(b, a, x, padlen=6)", "cases": cases}))
