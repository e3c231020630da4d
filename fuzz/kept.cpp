// JSON that a person's folders hold and others may have written: sidecars, presets, sessions, the queue's
// requests, deliveries, by the first byte. What is read is written, and reads back as itself.
#include <string>

#include "base/json.h"
#include "deliver/delivery.h"
#include "queue/job_queue.h"
#include "session/state_json.h"
#include "session/take.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    if (size == 0) return 0;
    const std::string text(data + 1, data + size);
    std::vector<std::string> problems;
    try {
        switch (data[0] % 4) {
        case 0: {
            PhotoRecord record = recordFrom(jsonFrom(text), problems);
            if (!(recordFrom(jsonOf(record), problems) == record)) __builtin_trap();
            PhotoState state = *record.state;
            state.clipTo(160, 120);
            for (const Probe& p : state.probes)
                if (p.x < 0 || p.y < 0 || p.x >= 160 || p.y >= 120 || p.width > 160 || p.height > 120)
                    __builtin_trap();
            break;
        }
        case 1: {
            const SessionState session = sessionFrom(jsonFrom(text), problems);
            if (!(sessionFrom(jsonOf(session), problems) == session)) __builtin_trap();
            break;
        }
        case 2: {
            const ExportRequest request = requestFrom(text);
            if (requestFrom(textOf(request)).photo != request.photo) __builtin_trap();
            break;
        }
        default: {
            const Delivery delivery = deliveryFromText(text);
            if (!(deliveryFromText(textOf(delivery)) == delivery)) __builtin_trap();
            NameParts parts;
            parts.original = "/quay/mill.dng", parts.take = "soft";
            targetOf(delivery, parts), problemWith(delivery);
        }
        }
    } catch (const JsonError&) {
    } catch (const std::invalid_argument&) {
    }
    return 0;
}
