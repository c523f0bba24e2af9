using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <content>The change itself: what comes out, what goes in.</content>
internal sealed partial class CardMaker
{
    /// <summary>The steps in which the parts of a unit's operations come and go.</summary>
    private void Change(Unit unit)
    {
        foreach (
            var cut in unit.Operations.Where(o => o.Irreversible is not null).GroupBy(o => o.Kind)
        )
        {
            Do(
                Step(
                    unit,
                    $"irreversible-{Slug(cut.Key.ToString())}",
                    "Before anything is cut or drilled",
                    cut.First().TrialFit
                        ?? "A trial fit first. From where, how far, which size and how many as the sheet says, marked through the part or its template. The owner has agreed, with name and time.",
                    5
                ) with
                {
                    Caution = string.Join(' ', cut.Select(o => o.Irreversible).Distinct()),
                    HoldFor = HoldReason.Irreversible,
                    Cuts = [.. cut.Select(o => o.Cut).OfType<PlannedCut>()],
                }
            );
        }
        foreach (
            var at in unit
                .Operations.SelectMany(PlacesOf)
                .Distinct()
                .OrderBy(w => Corners.Named(w) is { } c ? (int)c : -1)
        )
        {
            Operation[] mine = [.. unit.Operations.Where(o => PlacesOf(o).Contains(at))];
            PlacedPart[] gone = [.. mine.SelectMany(o => PartsOf(o, at, come: false)).Distinct()];
            PlacedPart[] come = [.. mine.SelectMany(o => PartsOf(o, at, come: true)).Distinct()];
            var way = come.Select(p => PartRule.Of(p.Kind).Orientation).OfType<string>().Distinct();
            var converted =
                mine.Any(o => o.Kind == OperationKind.Conversion)
                && conversions.First(c => c.Axle.Said() == at) is var conversion
                    ? $"suspension, {vehicle.SuspensionOf(conversion.Axle).Kind.Said()} out, {conversion.To.Kind.Said()} in"
                    : null;
            var tyre = mine.All(o => o.Kind == OperationKind.Wheel);
            Do(
                Step(
                    unit with
                    {
                        Where = at,
                        Key = at,
                        Side = null,
                    },
                    tyre ? "tyre"
                        : mine.All(o => o.Kind == OperationKind.BodyMounts) ? "change-mounts"
                        : converted is not null ? "change-suspension"
                        : "change-stack",
                    $"Change the {(tyre ? "tyre" : converted ?? "stack")}{(converted is not null && gone.Length + come.Length == 0 ? "" : ": ")}{string.Join("; ", [.. gone.Where(p => !IsSetAnew(p, come)).Select(p => $"{(PartRule.Of(p.Kind).Turned ? "turn back" : "take out")} {p.Name}{Goes(p, at)}"), .. come.Select(p => $"{(PartRule.Of(p.Kind).Turned ? "set" : "put in")} {p.Name}{Comes(p, at)}")])}",
                    string.Join(' ', [.. mine.SelectMany(o => o.Work).Distinct(), .. way]),
                    Math.Max(3, mine.Sum(o => o.Minutes.Work) / mine.Max(o => PlacesOf(o).Count()))
                ) with
                {
                    People = mine.Max(o => o.People),
                    // What comes whole is carried until its joints are home.
                    Under = converted is null
                        ? []
                        :
                        [
                            .. graph
                                .Changes.NotYet.Where(m =>
                                    m.Kind.Needs() != Holds.Nothing
                                    && Corners.AxleAt(m.Where) == Corners.AxleAt(at)
                                )
                                .OrderBy(m => m.Where)
                                .Select(m => SupportNeed.For(m, Holds.Carries).Support),
                        ],
                    Operations = [.. mine.Select(o => o.Kind).Distinct().Order()],
                    Work =
                        $"{(tyre ? "tyre" : "change-stack")}: {string.Join(", ", gone.Concat(come).Select(p => p.Kind.ToString()).Distinct().Order(StringComparer.Ordinal))}",
                }
            );
        }
    }

    /// <summary>Whether a setting only becomes another one.</summary>
    private static bool IsSetAnew(PlacedPart gone, PlacedPart[] come) =>
        PartRule.Of(gone.Kind).Turned && come.Any(p => p.Kind == gone.Kind);

    /// <summary>Where the parts of an operation come and go: at each corner, or once on the axle.</summary>
    private IEnumerable<string> PlacesOf(Operation operation) =>
        operation.Kind == OperationKind.Conversion ? [operation.Where]
        : operation.OnceAnAxle
            ? PartsOf(operation, operation.Where, false)
                    .Concat(PartsOf(operation, operation.Where, true))
                    .Any()
                    ? [operation.Where]
                : []
        : changes
            .Where(x => Within(x.Corner, operation.Where))
            .Select(x => x.Corner.Name())
            .Where(c => PartsOf(operation, c, false).Concat(PartsOf(operation, c, true)).Any());

    /// <summary>The parts for whose sake an operation is done, at a corner or on an axle.</summary>
    private IEnumerable<PlacedPart> PartsOf(Operation operation, string where, bool come) =>
        changes
            .Where(x => Within(x.Corner, where))
            .SelectMany(x =>
                (come ? x.Come : x.Gone).Where(p =>
                    conversions.Any(c => c.Axle == Corners.AxleOf(x.Corner))
                    && !PartRule.Of(p.Kind).OnAnySuspension
                        ? operation.Kind == OperationKind.Conversion
                        : Operations
                            .For(p.Kind, vehicle.SuspensionOf(Corners.AxleOf(x.Corner)).Kind)
                            .Contains(operation.Kind)
                )
            );

    private static bool Within(Corner corner, string where) =>
        where == "vehicle" || where == corner.Name() || where == Corners.AxleOf(corner).Said();

    /// <summary>Where a piece goes that is fitted again elsewhere.</summary>
    private string Goes(PlacedPart part, string from) =>
        changes.FirstOrDefault(x => !Within(x.Corner, from) && x.Come.Any(p => p.Id == part.Id))
            is { } to
            ? $" (it goes to {to.Corner})"
            : "";

    private string Comes(PlacedPart part, string to) =>
        changes.FirstOrDefault(x => !Within(x.Corner, to) && x.Gone.Any(p => p.Id == part.Id))
            is { } from
            ? $" from {from.Corner}"
            : "";
}
