#include "measure/series.h"

#include <algorithm>
#include <stdexcept>

#include "measure/camera_notes.h"
#include "measure/open.h"

namespace irenic {

std::map<std::filesystem::path, NoiseModel> noiseOfSeries(const std::vector<std::filesystem::path>& files,
                                                          const Work& work) {
    std::vector<CameraSample> samples;
    std::vector<std::filesystem::path> sampled;
    const auto count = static_cast<double>(files.size());
    for (std::size_t i = 0; i < files.size(); ++i) try {
            const auto at = static_cast<double>(i);
            const PhotoPtr photo =
                readPhoto(files[i], work.part(at / count, (at + 1) / count), Measure::NoiseAlone);
            samples.push_back(sampleOf(*photo));
            sampled.push_back(files[i]);
        } catch (const PhotoError&) {
            continue; // it will be said where it is to be cleaned
        } catch (const std::invalid_argument&) {
            continue; // no mosaic, no camera, no ISO: nothing that others could share
        }
    std::map<std::filesystem::path, NoiseModel> out;
    for (const CameraNotes& notes : notesOn(samples)) {
        if (notes.photos < 2 || notes.sure < 1) continue;
        for (std::size_t i = 0; i < samples.size(); ++i) {
            const CameraSample& s = samples[i];
            if (s.camera == notes.camera && s.iso == notes.iso && s.width == notes.width &&
                s.height == notes.height)
                out[sampled[i]] = notes.noise;
        }
    }
    return out;
}

} // namespace irenic
