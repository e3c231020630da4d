#!/usr/bin/env python3
"""Write the weights as ONNX: python3 training/export.py cleaner (or pixel_cleaner)

training/NAME.pt -> core/denoise/NAME.onnx (and tests/NAME.check, an input with its result), weights in half precision (IEEE 754 binary16), named as in
network.py. Debian: python3-torch, python3-onnx.
"""
import os
import sys

import onnx
import torch
from onnx import TensorProto, helper, numpy_helper

from network import Cleaner

HERE = os.path.dirname(os.path.abspath(__file__))


def main():
    name = sys.argv[1]
    check, target = os.path.join(HERE, "..", "tests", name + ".check"), os.path.join(HERE, "..", "core", "denoise", name + ".onnx")
    state = torch.load(os.path.join(HERE, name + ".pt"))
    net = Cleaner()
    net.load_state_dict({k: v.float() for k, v in state["mean"].items()})
    net.eval()
    torch.onnx.export(net, torch.zeros(1, 9, 64, 64), target + ".part", input_names=["planes"], output_names=["clean"],
                      opset_version=11, do_constant_folding=False,
                      dynamic_axes={"planes": {0: "n", 2: "h", 3: "w"}, "clean": {0: "n", 2: "h", 3: "w"}})
    model = onnx.load(target + ".part")
    os.remove(target + ".part")
    # Half the size; a Cast in front of each user keeps the graph in single precision.
    casts = []
    for tensor in model.graph.initializer:
        if tensor.data_type != TensorProto.FLOAT:
            continue
        half = numpy_helper.from_array(numpy_helper.to_array(tensor).astype("float16"), tensor.name)
        casts.append(helper.make_node("Cast", [tensor.name], [tensor.name + ".single"], to=TensorProto.FLOAT))
        for node in model.graph.node:
            for i, name in enumerate(node.input):
                if name == tensor.name:
                    node.input[i] = name + ".single"
        tensor.CopyFrom(half)
    nodes = casts + list(model.graph.node)
    del model.graph.node[:]
    model.graph.node.extend(nodes)
    model.doc_string = "Irenic's learned method after %d steps of training; see docs/training.md" % state["step"]
    onnx.checker.check_model(model)
    with open(target + ".part", "wb") as out:
        out.write(model.SerializeToString())
    os.replace(target + ".part", target)
    # What the network makes of a small picture, for the test that compares.
    with torch.no_grad():
        for p in net.parameters():
            p.copy_(p.half().float())
        planes = 0.1 + 0.8 * torch.rand(1, 9, 32, 32, generator=torch.Generator().manual_seed(5))
        planes[:, 4] = 0.05
        planes[:, 5:] -= 0.5
        clean = net(planes)
    with open(check, "wb") as out:
        for t in (planes, clean):
            out.write(t[0].permute(1, 2, 0).contiguous().numpy().astype("<f4").tobytes())
    print(target, os.path.getsize(target), "bytes,", state["step"], "steps")


if __name__ == "__main__":
    main()
