using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Has a plan give an axle another suspension, or corrects what it said of it. Where nothing is planned yet, a plan begins with it.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="PlanId">The plan.</param>
/// <param name="Version">Its version as seen; null begins a plan of this key.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Suspension">The kind that comes; the one that is there where only its arms change.</param>
/// <param name="Sizes">Its sizes, as they are at the height at which it is set up.</param>
/// <param name="Points">Its points at that height; null where nobody has them.</param>
/// <param name="Sheet">Whose sheet or drawing it is built by.</param>
/// <param name="SetUpAt">Mean height of the lips at which sizes and points hold.</param>
/// <param name="From">From where that height is measured: hub or floor.</param>
/// <param name="Track">Track of its wheels; empty where it stays.</param>
/// <param name="ShacklePivot">Where its shackle hangs.</param>
/// <param name="HeightControl">What holds its height.</param>
/// <param name="Medium">What springs it.</param>
public sealed record ConvertAxle(
    Guid CommandId,
    Guid PlanId,
    uint? Version,
    Axle Axle,
    SuspensionKind Suspension,
    IReadOnlyList<SizeInput> Sizes,
    string? Sheet,
    QuantityInput? SetUpAt,
    Datum From,
    QuantityInput? Track = null,
    IReadOnlyList<PointInput>? Points = null,
    ShacklePivot? ShacklePivot = null,
    HeightControl? HeightControl = null,
    SpringMedium? Medium = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "another suspension planned";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var fresh = Version is null && d.DraftPlans().Count == 0;
        var plan = fresh ? PlanRules.Fresh(d, PlanId) : PlanRules.Draft(d, PlanId);
        if (From is not (Datum.Hub or Datum.Floor))
        {
            throw Refuse.Value("from", "It is set up from the hub or from the floor.");
        }
        var with = plan with
        {
            Conversions =
            [
                .. (plan.Conversions ?? [])
                    .Where(c => c.Axle != Axle)
                    .Append(
                        new AxleConversion
                        {
                            Axle = Axle,
                            To = Comes(),
                            SetUpAt = QuantityInput.Read(SetUpAt, "setUpAt", Unit.Mm),
                            From = From,
                        }
                    )
                    .OrderBy(c => c.Axle),
            ],
            Stacks = WithoutOld(plan.Stacks, d.CurrentStage()!),
        };
        if (fresh)
        {
            work.Add(with);
        }
        else
        {
            work.Edit(plan, Version, with);
        }
    }

    private Vehicles.Suspension Comes()
    {
        var known = SuspensionSizes.Of(Suspension).Select(s => s.Name).ToHashSet();
        var sizes = new Dictionary<string, Quantity>();
        foreach (var (name, value) in Sizes)
        {
            if (SetSuspension.Size(name, value) is { } size)
            {
                sizes[name] = known.Contains(name)
                    ? size
                    : throw Refuse.Value(name, "This kind of suspension has no such size.");
            }
        }
        var bare = new Vehicles.Suspension
        {
            Kind = Suspension,
            Dimensions = sizes,
            Sheet = TypedText.Needed(
                Sheet,
                "sheet",
                "Say whose sheet or drawing it is built by: the card sends the hands there."
            ),
            Track = TrackOf(),
            ShacklePivot = Suspension.IsLeaf() ? ShacklePivot : null,
            HeightControl = HeightControl,
            Medium = Suspension.HasCoil() ? Medium : null,
        };
        return Points is { Count: > 0 } ? SetPoints.Taped(bare, Points) : bare;
    }

    private Quantity? TrackOf()
    {
        var track = QuantityInput.Read(Track, "track", Unit.Mm);
        return
            track is not null
            && VehicleDimensions.WhyNot("frontTrack", track.In(Unit.Mm)) is { } why
            ? throw Refuse.Value("track", why)
            : track;
    }

    /// <summary>What stands on the old suspension and has no place on the new one leaves with it.</summary>
    private CornerStack[] WithoutOld(IReadOnlyList<CornerStack> stacks, Stage stage)
    {
        var stands = stage.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        return
        [
            .. stacks
                .Select(s =>
                    Corners.AxleOf(s.Corner) != Axle
                        ? s
                        : s with
                        {
                            Parts =
                            [
                                .. s.Parts.Where(p =>
                                    !stands.Contains(p.Id)
                                    || PartRule.Of(p.Kind) is { OnAnySuspension: true }
                                    || PartRule.Of(p.Kind).FitsOn(Suspension)
                                ),
                            ],
                        }
                )
                .Where(s => s.Parts.Count > 0),
        ];
    }
}

/// <summary>Leaves an axle on its suspension after all.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="PlanId">The plan.</param>
/// <param name="Version">Its version as seen.</param>
/// <param name="Axle">front or rear.</param>
public sealed record KeepSuspension(Guid CommandId, Guid PlanId, uint Version, Axle Axle)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "suspension kept after all";

    internal override void Decide(JobWork work)
    {
        var plan = PlanRules.Draft(work.Document, PlanId);
        if (plan.Of(Axle) is null)
        {
            throw Refuse.Gone("This plan has no other suspension there any more.");
        }
        AxleConversion[] left = [.. plan.Conversions!.Where(c => c.Axle != Axle)];
        work.Edit(plan, Version, plan with { Conversions = left.Length == 0 ? null : left });
    }
}
