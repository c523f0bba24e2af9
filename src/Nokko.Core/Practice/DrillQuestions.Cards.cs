using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Practice;

/// <content>Cards from which a step is missing: they are made as every card is.</content>
internal static partial class DrillQuestions
{
    /// <summary>Steps of a card that are shown.</summary>
    private const int Shown = 9;

    private static readonly (
        VehicleKind Kind,
        string Said,
        SuspensionKind Front,
        SuspensionKind Rear,
        Axle At,
        PartKind Part,
        string PartSaid,
        string On
    )[] Works =
    [
        (
            VehicleKind.Pickup,
            "Pickup, coil-over on an arm",
            SuspensionKind.CoilOverArm,
            SuspensionKind.LeafOverslung,
            Axle.Front,
            PartKind.StrutTopSpacer,
            "plate",
            "both struts in front"
        ),
        (
            VehicleKind.Pickup,
            "Pickup on leaf springs behind",
            SuspensionKind.CoilOverArm,
            SuspensionKind.LeafOverslung,
            Axle.Rear,
            PartKind.Block,
            "block",
            "both sides behind"
        ),
        (
            VehicleKind.OpenTop,
            "Open-top 4x4 on coils",
            SuspensionKind.CoilFourLink,
            SuspensionKind.CoilFourLink,
            Axle.Front,
            PartKind.CoilSpacer,
            "ring",
            "both coils in front"
        ),
        (
            VehicleKind.Estate,
            "Estate on struts",
            SuspensionKind.Strut,
            SuspensionKind.MultiLink,
            Axle.Front,
            PartKind.StrutTopSpacer,
            "plate",
            "both struts in front"
        ),
    ];

    /// <summary>Cards that forget a step.</summary>
    public static IEnumerable<DrillQuestion> Cards(Random chance)
    {
        var cards = Works
            .Select(w => Titles(CardOf(w.Kind, w.Front, w.Rear, w.At, (w.Part, w.PartSaid))))
            .ToArray();
        var asked = new HashSet<string>();
        for (var i = 0; i < 8; i++)
        {
            var n = i % Works.Length;
            var (mine, others) = (
                cards[n],
                cards.Where((_, k) => k != n).SelectMany(c => c.Keys).Distinct().ToArray()
            );
            // What stops the hand and what is easily forgotten is asked for first.
            var steps = mine.Keys.ToArray();
            string[] may =
            [
                .. steps.Where(t => mine[t].HoldFor is not null || mine[t].Caution is not null),
            ];
            var missing = may.Where(t => !asked.Contains($"{n} {t}")).ToArray()
                is { Length: > 0 } left
                ? left[chance.Next(left.Length)]
                : may[chance.Next(may.Length)];
            asked.Add($"{n} {missing}");
            var at = Array.IndexOf(steps, missing);
            string[] wrong = [.. others.Where(t => !mine.ContainsKey(t))];
            chance.Shuffle(wrong);
            string[] choices = [missing, .. wrong.Take(3)];
            chance.Shuffle(choices);
            var from = Math.Clamp(at - (Shown / 2), 0, Math.Max(0, steps.Length - Shown));
            var step = mine[missing];
            yield return new DrillQuestion(
                $"{Works[n].Said}: a {Works[n].PartSaid} on {Works[n].On}. What does this card forget?",
                null,
                [
                    .. steps
                        .Skip(from)
                        .Take(Shown)
                        .Where(t => t != missing)
                        .Select(t => new DrillRow(t, [])),
                ],
                choices,
                Array.IndexOf(choices, missing),
                step.Caution ?? step.Do,
                "fit"
            );
        }
    }

    /// <summary>Steps by their titles, in order: what is done on both sides stands once.</summary>
    private static OrderedDictionary<string, CardStep> Titles(JobCard card)
    {
        var titles = new OrderedDictionary<string, CardStep>();
        foreach (var step in card.Steps)
        {
            titles.TryAdd(step.Title, step);
        }
        return titles;
    }

    private static JobCard CardOf(
        VehicleKind kind,
        SuspensionKind front,
        SuspensionKind rear,
        Axle axle,
        (PartKind Kind, string Said) part
    )
    {
        var sizes = VehicleDefaults.Fill(new VehicleDimensions(), kind);
        var (before, plan) = (Guid.Empty, new Guid(1, 0, 0, [0, 0, 0, 0, 0, 0, 0, 0]));
        var vehicle = new Vehicle
        {
            Id = before,
            OwnerId = before,
            PlatformId = before,
            Make = "",
            Name = "",
            Kind = kind,
            BodyKind = VehicleDefaults.With(kind).BodyKind,
            Dimensions = sizes,
            Stations = VehicleDefaults.Stations(sizes, kind),
            Front = Of(front),
            Rear = Of(rear),
        };
        return JobCard.Derive(
            new Stage
            {
                Id = before,
                VehicleId = before,
                JobId = before,
                Front = vehicle.Front,
                Rear = vehicle.Rear,
                Ordinal = 0,
                Name = "",
                OpenedAt = DateTimeOffset.MinValue,
                Stacks = [],
            },
            new Plan
            {
                Id = plan,
                Name = "",
                FromStageId = before,
                Stacks =
                [
                    .. Corners
                        .Of(axle)
                        .Select(
                            (c, i) =>
                                new CornerStack
                                {
                                    Corner = c,
                                    Parts =
                                    [
                                        new PlacedPart
                                        {
                                            Id = new Guid(i + 2, 0, 0, [0, 0, 0, 0, 0, 0, 0, 0]),
                                            Name = part.Said,
                                            Kind = part.Kind,
                                            Thickness = Quantity.Mm(25.4, Known.Measured),
                                        },
                                    ],
                                }
                        ),
                ],
            },
            vehicle,
            Equipment.TwoPostLift
        );

        static Vehicles.Suspension Of(SuspensionKind kind) =>
            new() { Kind = kind, ShacklePivot = kind.IsLeaf() ? ShacklePivot.AboveEye : null };
    }
}
