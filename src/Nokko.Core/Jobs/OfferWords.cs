using System.Globalization;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What is said of a plan when it is offered, in an owner's words.</summary>
/// <remarks>Source: docs/computation/finding.md#offered-to-the-owner.</remarks>
public static class OfferWords
{
    /// <summary>A plan as it is offered.</summary>
    /// <param name="id">Key of the offer.</param>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="prediction">What it will do.</param>
    /// <param name="geometry">What it moves besides the height.</param>
    /// <param name="style">How lengths are written.</param>
    /// <param name="hourRate">What an hour costs; null offers hours alone.</param>
    public static Offer Of(
        Guid id,
        JobDocument d,
        Plan plan,
        Prediction prediction,
        PlanGeometry geometry,
        LengthStyle style,
        double? hourRate
    )
    {
        var card = Progress.CardOf(d, plan);
        var (hours, guessed) = Work(d, plan, card);
        return new()
        {
            Id = id,
            PlanId = plan.Id,
            Name = plan.Name,
            GoesIn = GoesIn(d, plan),
            Facts =
            [
                .. Sits(d.Job.Target, prediction, style),
                .. Takes(prediction.Cost, hours, hourRate),
            ],
            Moves = Moves(prediction, geometry, style),
            LeavesOut = LeavesOut(d, plan, prediction, card, hourRate, guessed),
            NoWayBack = NoWayBack(plan, card),
        };
    }

    /// <summary>What goes in and comes out, corner by corner, both sides of an axle at once where they are alike.</summary>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan.</param>
    public static IReadOnlyList<string> GoesIn(JobDocument d, Plan plan)
    {
        if (d.StartOf(plan) is not { } from)
        {
            return [];
        }
        return
        [
            .. (plan.Conversions ?? []).Select(c => $"{Upper(c.Axle.Said())}: another suspension."),
            .. Corners.Axles.SelectMany(OfAxle),
        ];

        IEnumerable<string> OfAxle(Axle axle)
        {
            string[] sides = [.. Corners.Of(axle).Select(Change)];
            return sides[0] == sides[1]
                ? sides[0].Length == 0
                    ? []
                    : [$"{Upper(axle.Said())}, both sides: {sides[0]}."]
                : Corners
                    .Of(axle)
                    .Zip(sides)
                    .Where(s => s.Second.Length > 0)
                    .Select(s => $"{Upper(s.First.Said())}: {s.Second}.");
        }

        string Change(Corner corner)
        {
            var (gone, come) = CornerStack.Change(corner, from.Stacks, plan.Stacks);
            return string.Join(
                "; ",
                new[] { Named("in", come), Named("out", gone) }.OfType<string>()
            );
        }

        static string? Named(string way, IReadOnlyList<PlacedPart> parts) =>
            parts.Count == 0 ? null : $"{way} {string.Join(" and ", parts.Select(Part))}";

        static string Part(PlacedPart p) =>
            p.Thickness is { } size ? $"{p.Name} ({size.AsTyped()})" : p.Name;
    }

    private static IEnumerable<OfferFact> Sits(Target target, Prediction p, LengthStyle style)
    {
        if (p.Cannot is { } cannot)
        {
            yield return new("How it will sit", $"cannot be foretold. {cannot}");
            yield break;
        }
        yield return new("How it will sit", Rake(p.Rake));
        if (p.Loaded is { } loaded)
        {
            yield return new($"With {string.Join(" and ", loaded.Loads)} on", Rake(loaded.Rake));
        }
        yield return new("Front rises", p.FrontRise.Said(style, true));
        yield return new("Rear rises", p.RearRise.Said(style, true));
        if (p.Landing?.Value is { } chance)
        {
            yield return new(
                $"Sits as you want it{(target.Loaded ? ", loaded" : "")}",
                ResultText.Odds(chance)
            );
        }

        string Rake(Result rake) =>
            rake is not { Value: { } value, U: { } u }
                ? $"cannot be foretold. {rake.Cannot}"
                : $"{(Math.Abs(value) <= 2 * u ? "about level: " : "")}nose {(value < 0 ? "high" : "down")} {LengthText.Show(Math.Abs(value), style)} ± {LengthText.ShowUp(2 * u, style)}";
    }

    private static IEnumerable<OfferFact> Takes(PlanCost? cost, double hours, double? hourRate)
    {
        var priced = cost is { Price: not null, Currency: not null } ? cost : null;
        if (priced is { Price: { } parts })
        {
            yield return new("Parts", Money(parts, priced.Currency));
        }
        var work = hourRate is { } rate ? Math.Round((decimal)(hours * rate), 2) : (decimal?)null;
        yield return new(
            "Work",
            $"{Hours(hours)}{(work is { } w ? $", {Money(w, priced?.Currency)}" : "")}"
        );
        if (work is { } all && priced is { Price: { } price })
        {
            yield return new("Together", Money(price + all, priced.Currency));
        }
    }

    /// <summary>Hours of all that comes or moves, and of what of it nobody noted any: those are a rule of thumb by kind, or the card's where nothing comes.</summary>
    private static (double Hours, string[] Guessed) Work(JobDocument d, Plan plan, JobCard card)
    {
        var from = d.StartOf(plan)!.Stacks;
        var kits = d.KitsOf(plan).ToArray();
        var boxed = kits.Where(k => k.Hours is not null).Select(k => k.Id).ToHashSet();
        PlacedPart[] pieces =
        [
            .. Corners
                .All.SelectMany(c => CornerStack.Change(c, from, plan.Stacks).Come)
                .Where(p => p.KitId is not { } kit || !boxed.Contains(kit)),
        ];
        return pieces.Length + boxed.Count == 0
            ? (card.Steps.Sum(s => s.Minutes) / 60.0, ["all of it"])
            : (
                pieces.Sum(p => p.WorkHours())
                    + kits.Sum(k => k.Hours is { } hours ? hours.In(Unit.Hour) : 0),
                [.. pieces.Where(p => p.Hours is null).Select(p => p.Name).Distinct()]
            );
    }

    private static string[] Moves(Prediction p, PlanGeometry geometry, LengthStyle style)
    {
        // Against today: what a corner has left is told against the vehicle with nothing added.
        var rise = p.Stations.Select(s => s.Rise.Value ?? 0).DefaultIfEmpty(0).ToArray();
        return
        [
            .. rise.Max() >= style.DivisionMm
                ?
                [
                    $"It stands up to {LengthText.Show(rise.Max(), style)} higher: garages, car washes and loads on the roof come nearer, it leans more in bends and on side slopes.",
                ]
                : Array.Empty<string>(),
            .. rise.Min() <= -style.DivisionMm
                ?
                [
                    $"It stands up to {LengthText.Show(-rise.Min(), style)} lower at a corner: kerbs and ramps come nearer.",
                ]
                : Array.Empty<string>(),
            .. geometry
                .Mechanisms.Where(m => m.Beyond)
                .Select(m => ForOwner(m.Kind, m.Where))
                .Distinct(),
            "What it may carry and tow does not change.",
        ];
    }

    /// <summary>What a mechanism does that is beyond its limit, with what the plan has for it.</summary>
    /// <exception cref="ArgumentOutOfRangeException">There is no such mechanism.</exception>
    public static string ForOwner(MechanismKind kind, string where) =>
        kind switch
        {
            MechanismKind.TrackBar => $"The {where} axle stands aside, out of the middle.",
            MechanismKind.Steering => "It steers a little by itself over bumps.",
            MechanismKind.Caster => "The steering comes back less by itself.",
            MechanismKind.Pinion or MechanismKind.Propshaft =>
                $"The shaft to the {where} axle runs steeper: it can drone, and its joints wear sooner.",
            MechanismKind.SwayBar =>
                $"The {where} anti-roll bar stands at another angle and works otherwise.",
            MechanismKind.Hoses =>
                $"Brake hoses at the {where} are too short when the wheels hang: they must be seen to.",
            MechanismKind.Contacts => $"The {where} tyres can touch at full lock or over a bump.",
            MechanismKind.CvShaft =>
                $"The {where} half-shafts run steeper: their joints wear sooner.",
            MechanismKind.Arms or MechanismKind.Alignment =>
                $"The {where} wheels lean otherwise, and may not come back all the way: tyres wear unevenly.",
            MechanismKind.Headlights =>
                "The headlights aim otherwise and dazzle until they are set.",
            MechanismKind.AxleLoads =>
                "With the loads that you named an axle carries more than its plate allows.",
            MechanismKind.CornerScales => "The wheels carry unequally, corner against corner.",
            MechanismKind.SideSlope =>
                "It tips on a flatter side slope than the limit that was set.",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No mechanism."),
        };

    private static string[] LeavesOut(
        JobDocument d,
        Plan plan,
        Prediction p,
        JobCard card,
        double? hourRate,
        string[] guessed
    )
    {
        var there = d.StartOf(plan)!.Stacks.SelectMany(s => s.Parts).Select(x => x.Id).ToHashSet();
        var never = card
            .Joints.SelectMany(j => j.Fasteners)
            .Where(f => f.NewPartOnly)
            .Sum(f => f.Count);
        return
        [
            .. plan
                .Stacks.SelectMany(s => s.Parts)
                .Where(x =>
                    !there.Contains(x.Id)
                    && x is { KitId: null, Price: null }
                    && !PartRule.Of(x.Kind).Turned
                )
                .Select(x => x.Name)
                .Concat(d.KitsOf(plan).Where(k => k.Price is null).Select(k => k.Name))
                .CountBy(n => n)
                .Select(n =>
                    $"{(n.Value > 1 ? $"{n.Value} × " : "")}{n.Key}: its price is not known yet."
                ),
            .. Lacks(Consequence.Must).Select(what => $"{what}."),
            .. Lacks(Consequence.Check) is { Length: > 0 } asked
                ? [$"What turns out to be needed of these: {string.Join("; ", asked)}."]
                : Array.Empty<string>(),
            .. never > 0
                ?
                [
                    $"New bolts and nuts for those that are never used twice, {never.ToString(CultureInfo.InvariantCulture)} of them.",
                ]
                : Array.Empty<string>(),
            .. hourRate is null
                ? ["The work: hours are offered, not what an hour costs."]
                : Array.Empty<string>(),
            .. guessed.Length > 0
                ? [$"Hours nobody noted are a rule of thumb: {string.Join(", ", guessed)}."]
                : Array.Empty<string>(),
            "What is found seized, broken or worn once it is open: we ask before we go on.",
            .. p.Landing?.Value is < 0.9 and var chance
                ?
                [
                    $"Another try, if it does not sit as wanted at once, {ResultText.Odds(1 - chance)}: what that takes is told before it is done.",
                ]
                : Array.Empty<string>(),
        ];

        string[] Lacks(Consequence word) =>
            [
                .. p
                    .Companions.Where(c => !c.Placed && c.Word == word)
                    .Select(c => c.Where == "vehicle" ? c.What : $"{c.What}, {c.Where}")
                    .Distinct(),
            ];
    }

    private static string[] NoWayBack(Plan plan, JobCard card)
    {
        string[] lines =
        [
            .. (plan.Conversions ?? []).Select(c =>
                $"Cannot be undone: another suspension at the {c.Axle.Said()}. What is cut off or welded for it does not go back."
            ),
            .. card
                .Steps.Where(s => s.HoldFor == HoldReason.Irreversible && plan.At(s.Where) is null)
                .SelectMany(s =>
                    s.Cuts.Count > 0
                        ? s.Cuts.Select(c =>
                            $"Cannot be undone: {c.What} at the {Corners.PlaceSaid(s.Where)}, {Done(c.Kind)}."
                        )
                        : [$"Cannot be undone: {s.Title}, {Corners.PlaceSaid(s.Where)}."]
                )
                .Distinct(),
        ];
        return lines.Length > 0
            ? lines
            : ["Nothing is cut or drilled for it: it can be taken out again."];
    }

    private static string Done(CutKind kind) =>
        kind switch
        {
            CutKind.Cut => "cut",
            CutKind.Drill => "drilled",
            CutKind.Trim => "trimmed",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No cut."),
        };

    private static string Hours(double hours) =>
        string.Create(CultureInfo.InvariantCulture, $"{hours:0.#} h");

    private static string Money(decimal amount, string? currency) =>
        $"{amount.ToString("#,0.##", CultureInfo.InvariantCulture)} {currency}".TrimEnd();

    private static string Upper(string words) => char.ToUpperInvariant(words[0]) + words[1..];
}
