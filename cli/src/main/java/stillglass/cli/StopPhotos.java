package stillglass.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import stillglass.book.BadInput;
import stillglass.book.photo.PhotoFiles;
import stillglass.prove.iris.IrisReading;
import stillglass.prove.measure.Quantity;

/// Photos with the stop of each.
final class StopPhotos {
    private StopPhotos() {}

    /// @param stops as they were typed: `2,2.8,4`
    static List<IrisReading.Taken> of(String stops, List<Path> photos) {
        List<Double> numbers = numbers(stops, photos.size());
        List<IrisReading.Taken> taken = new ArrayList<>();
        for (int i = 0; i < photos.size(); i++) {
            String name = String.valueOf(photos.get(i).getFileName());
            taken.add(new IrisReading.Taken(name, numbers.get(i), PhotoFiles.plane(name, PhotoFiles.bytes(photos.get(i)), OptionalDouble.empty())));
        }
        return taken;
    }

    /// @param count how many there are to be
    static List<Double> numbers(String stops, int count) {
        String[] words = stops.split(",");
        if (words.length != count) {
            throw new BadInput("command line", "--stops", "names " + words.length + " stops for " + count + " photos: give one for each");
        }
        List<Double> out = new ArrayList<>();
        for (String word : words) {
            String stop = Quantity.OPENING.at(word).orElseThrow(() -> new BadInput("command line", "--stops", "\"" + word.strip() + "\" is no f-number: give them as 2,2.8,4"));
            out.add(Double.parseDouble(stop));
        }
        return out;
    }
}
