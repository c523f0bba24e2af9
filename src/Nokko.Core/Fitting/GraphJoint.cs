namespace Nokko.Core.Fitting;

/// <summary>Energy that moves when a joint is opened.</summary>
/// <param name="Title">What is let go, as the title of its hold point.</param>
/// <param name="How">How it is let go.</param>
/// <param name="Way">Which way it goes, and where hands must not be.</param>
/// <param name="Tools">What it takes.</param>
public sealed record StoredEnergy(
    string Title,
    string How,
    string Way,
    IReadOnlyList<string> Tools
);

/// <summary>A named place where members of a vehicle meet.</summary>
public sealed record GraphJoint
{
    /// <summary>LF, RF, LR, RR, front, rear or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>What meets what.</summary>
    public required string Name { get; init; }

    /// <summary>Where and what: it keeps this name for the life of the vehicle.</summary>
    public string Place => $"{Where} {Name}";

    /// <summary>What holds it together.</summary>
    public required JointKind Kind { get; init; }

    /// <summary>Whether it holds what a conversion renews, or leads to it: arms, links, springs, shocks, uprights and track bars.</summary>
    public bool OfSuspension =>
        Names.LeadsToSuspension(Name)
        || Holds.Any(h => Members.OfSuspension(h.Hung.Kind) || Members.OfSuspension(h.By.Kind));

    /// <summary>What hangs on what through it; nothing where it only leads or turns with it.</summary>
    public IReadOnlyList<Hold> Holds { get; init; } = [];

    /// <summary>Its place in the order of opening, from what is freed first to what is taken last; closing is the reverse.</summary>
    public required int Rank { get; init; }

    /// <summary>Whether it is opened and closed on the bench, with its member out.</summary>
    public bool OnBench { get; init; }

    /// <summary>Its fasteners.</summary>
    public IReadOnlyList<Fastener> Fasteners { get; init; } = [];

    /// <summary>Order of tightening as said.</summary>
    public string? Order { get; init; }

    /// <summary>How it is undone, as the beginning of a sentence.</summary>
    public required string Undo { get; init; }

    /// <summary>How it is brought home, where there is more to say than its kind does.</summary>
    public string? Home { get; init; }

    /// <summary>What comes off when it is opened, each with where it belongs.</summary>
    public IReadOnlyList<string> Off { get; init; } = [];

    /// <summary>Tools to lay out.</summary>
    public IReadOnlyList<string> Tools { get; init; } = [];

    /// <summary>What it keeps, or null.</summary>
    public StoredEnergy? Keeps { get; init; }
}
