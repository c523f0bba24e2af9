using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Server.Jobs;

/// <summary>A job as a screen shows it: the document, what the core computes from it, and what comes next.</summary>
internal sealed record JobView(
    JobDocument Document,
    JobResults Results,
    Progress Progress,
    JobCard Card,
    IReadOnlyList<JointLine> JointLines,
    IReadOnlyList<RoundWords> Words,
    IReadOnlyList<string> NotMeasured,
    IReadOnlyList<FollowUpSuggestion> FollowUpSuggestions,
    IReadOnlyList<AskedMeasure> Asked,
    IReadOnlyList<string> Raised,
    IReadOnlyList<Station> MoreStations,
    IReadOnlyList<AxleView> Axles,
    IReadOnlyDictionary<Guid, uint> Versions
)
{
    public static JobView Of(
        JobDocument d,
        JobResults results,
        IReadOnlyDictionary<Guid, uint> versions,
        LengthStyle style
    )
    {
        var card = Progress.CardOf(d);
        var places = card.Joints.Select(j => j.Place).ToHashSet();
        var plan = d.BegunPlan();
        return new JobView(
            d,
            results,
            Progress.Of(d, results, style),
            card,
            [
                .. d
                    .Joints.Where(j => places.Contains(j.Place))
                    .Select(j => new JointLine(
                        j.Id,
                        FittingRules.Open(
                            j,
                            [
                                .. d
                                    .TorqueEntries.Where(t =>
                                        t.JointId == j.Id && t.PlanId == plan?.Id
                                    )
                                    .OrderBy(t => t.At)
                                    .ThenBy(t => t.Id),
                            ]
                        )
                    )),
            ],
            [
                .. results.WalkRounds.Select(w => new RoundWords(
                    w.WalkRoundId,
                    StanceWords.Say(w, style)
                )),
            ],
            Progress.NotMeasuredOf(d, results),
            FollowUpSuggestion.For(d),
            AskedMeasures.Of(d),
            d.CurrentStage() is { } now ? ReadingState.Of(d, now.Id).Raised : [],
            VehicleDefaults.MoreStations(
                VehicleDefaults.Fill(d.Vehicle.Dimensions, d.Vehicle.Kind),
                d.Vehicle.Kind
            ),
            AxleView.Of(d.Vehicle),
            versions
        );
    }
}

/// <summary>A joint of the card and what keeps its line open; null is closed.</summary>
internal sealed record JointLine(Guid JointId, string? Open);

/// <summary>A stance in plain sentences, in the person's unit.</summary>
internal sealed record RoundWords(Guid WalkRoundId, IReadOnlyList<string> Sentences);

/// <summary>A follow-up that this job calls for; distances are from the hand-over.</summary>
internal sealed record FollowUpSuggestion(string What, string Why, int Days, double Km)
{
    public static IReadOnlyList<FollowUpSuggestion> For(JobDocument d)
    {
        if (d.BegunPlan() is null)
        {
            return [];
        }
        return
        [
            new("Alignment at a licensed shop", "Height moves toe, camber and caster.", 7, 80),
            new("Headlight aim", "The nose angle changed.", 7, 80),
            new(
                "Re-torque all opened joints",
                "Paint and faces settle in the first 50 to 100 miles.",
                21,
                120
            ),
            new("Measure again", "Springs and bushings settle.", 60, 800),
        ];
    }
}
