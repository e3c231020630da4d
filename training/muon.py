"""Steps whose directions all weigh alike: the momentum of a layer's weights, as a matrix, made orthogonal (Jordan et al., "Muon", 2024).

What a network for pictures still has to learn late lies in directions whose gradients are small beside those of a few others; steps of Adam
follow the few."""
import torch


def orthogonal(matrix, rounds=5):
    """The nearest matrix whose singular values are about 1: a polynomial of fifth degree, again and again (Newton and Schulz)."""
    a, b, c = 3.4445, -4.7750, 2.0315
    x = matrix / (matrix.norm() + 1e-7)
    tall = x.shape[0] > x.shape[1]
    if tall:
        x = x.t()
    for _ in range(rounds):
        square = x @ x.t()
        x = a * x + (b * square + c * square @ square) @ x
    return x.t() if tall else x


class Muon(torch.optim.Optimizer):
    """For weights of two and more dimensions. Steps are as long as Adam's of the same rate (Liu et al. 2025, section 2.2)."""

    def __init__(self, weights, lr, momentum=0.95):
        super().__init__(weights, {"lr": lr, "momentum": momentum})

    @torch.no_grad()
    def step(self):
        for group in self.param_groups:
            for weight in group["params"]:
                state = self.state[weight]
                if not state:
                    state["momentum"] = torch.zeros_like(weight)
                kept = state["momentum"].mul_(group["momentum"]).add_(weight.grad)
                ahead = (weight.grad + group["momentum"] * kept).reshape(weight.shape[0], -1)
                length = 0.2 * max(ahead.shape) ** 0.5
                weight.add_(orthogonal(ahead).reshape(weight.shape), alpha=-group["lr"] * length)
