package stillglass.sim.photo;

import stillglass.look.ApertureMap;

/// Linear light of a picture in three channels, being added up.
final class Light {
    final int width;
    final int height;
    final float[][] planes;

    Light(int width, int height) {
        this.width = width;
        this.height = height;
        planes = new float[3][width * height];
    }

    void grey(int at, double v) {
        for (float[] p : planes) {
            p[at] = (float) v;
        }
    }

    void add(float[] amount, double gain) {
        for (int i = 0; i < amount.length; i++) {
            if (amount[i] != 0) {
                for (float[] p : planes) {
                    p[i] += (float) (gain * amount[i]);
                }
            }
        }
    }

    void darken(float[] amount, double share, ApertureMap within) {
        for (int i = 0; i < amount.length; i++) {
            if (amount[i] != 0 && within.unitRadius(i % width, i / width) < 1) {
                for (float[] p : planes) {
                    p[i] *= (float) (1 - Math.min(1, share * amount[i]));
                }
            }
        }
    }
}
