using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Puts a kit of the shelf into a plan: its pieces stand where its sheet has them. Where nothing is planned yet, a plan begins with it.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the kit in this job.</param>
/// <param name="PlanId">The plan.</param>
/// <param name="Version">Its version as seen; null begins a plan of this key.</param>
/// <param name="PartId">The kit on the shelf.</param>
public sealed record PlaceKit(Guid CommandId, Guid Id, Guid PlanId, uint? Version, Guid PartId)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "kit put into the plan";

    /// <inheritdoc/>
    public override IEnumerable<Guid> PartsNamed() => [PartId];

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var fresh = Version is null && d.DraftPlans().Count == 0;
        var plan = fresh ? PlanRules.Fresh(d, PlanId) : PlanRules.Draft(d, PlanId);
        if (
            work.Context.Shelf.GetValueOrDefault(PartId) is not { Kind: PartKind.Kit } box
            || box.BinnedAt is not null
        )
        {
            throw Refuse.Value("kit", "This kit is no longer on the shelf. Choose another.");
        }
        if (box.Contents is not { Pieces.Count: > 0 } contents)
        {
            throw Refuse.Value(
                "kit",
                $"Nobody noted what is in {box.Name}: write it on the shelf."
            );
        }
        var kit = new Kit
        {
            Id = Id,
            PlanId = plan.Id,
            PartId = box.Id,
            Number = TypedText.Blank(box.Number),
            Name = box.Name,
            Claim = box.Claim,
            FrontClaim = contents.FrontClaim,
            RearClaim = contents.RearClaim,
            Price = box.Price,
            Currency = box.Currency,
            Hours = box.Hours,
            Fit = box.Fit,
            Sheet = contents.Sheet,
            Pieces = [.. contents.Pieces.Select(p => PieceOf(p, work))],
        };
        if (KitRules.Twice(kit, d.KitsOf(plan)) is { } twice)
        {
            throw Refuse.Value("kit", twice);
        }
        work.Add(kit);
        var with = plan with
        {
            Stacks = KitRules.With(plan.Stacks, kit.Pieces.SelectMany(p => p.Stacks)),
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

    private KitPiece PieceOf(BoxedPiece piece, JobWork work) =>
        new()
        {
            Name = piece.Name,
            Count = piece.Count,
            End = KitPieceEnd.Open,
            Stacks = piece.Part is not { } part
                ? []
                :
                [
                    .. piece.At.Select(corner => new CornerStack
                    {
                        Corner = corner,
                        Parts =
                        [
                            .. Enumerable
                                .Range(0, piece.Count / piece.At.Count)
                                .Select(_ =>
                                    part with
                                    {
                                        Id = work.NewKey(),
                                        KitId = Id,
                                        Name = piece.Name,
                                    }
                                ),
                        ],
                    }),
                ],
        };
}

/// <summary>Takes a kit out of a plan, with every piece of it.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The kit.</param>
/// <param name="Version">Its version as seen.</param>
public sealed record TakeKitOut(Guid CommandId, Guid Id, uint Version) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "kit taken out of the plan";

    internal override void Decide(JobWork work)
    {
        var kit = KitRules.Named(work.Document, Id);
        var plan = PlanRules.Draft(work.Document, kit.PlanId);
        work.Seen(kit, Version);
        work.Withdraw(kit);
        work.Replace(plan, plan with { Stacks = KitRules.Without(plan.Stacks, kit.Pieces) });
    }
}

/// <summary>What became of the pieces of one name.</summary>
/// <param name="Name">Name of the piece.</param>
/// <param name="Found">How many were in the box; null where nobody counted.</param>
/// <param name="LeftOut">Whether it is left out on purpose.</param>
/// <param name="Why">Why it is left out.</param>
/// <param name="Used">Whether it was used, of small things once the fitting began; what stands in a stack is used then.</param>
public sealed record KitPieceInput(
    string Name,
    int? Found,
    bool LeftOut = false,
    string? Why = null,
    bool Used = false
);

/// <summary>Notes what is in the box of a kit, what of it is left out, and what was used.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The kit.</param>
/// <param name="Version">Its version as seen.</param>
/// <param name="Pieces">Every piece, in any order.</param>
public sealed record CountKit(
    Guid CommandId,
    Guid Id,
    uint Version,
    IReadOnlyList<KitPieceInput> Pieces
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "pieces of a kit counted";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var kit = KitRules.Named(d, Id);
        var plan =
            d.Plans.FirstOrDefault(p => p.Id == kit.PlanId)
            ?? throw Refuse.Gone("This plan is not there any more.");
        var begun = plan.BegunAt is not null;
        KitPiece[] counted = [.. kit.Pieces.Select(p => Counted(p, begun))];
        work.Edit(kit, Version, kit with { Pieces = counted });
        if (!begun)
        {
            // What is in the box and not left out stands in the plan, and nothing else of it does.
            var stand = plan.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
            var stacks = KitRules.With(
                KitRules.Without(plan.Stacks, counted.Where(p => p.End == KitPieceEnd.LeftOut)),
                counted
                    .Where(p => p.End != KitPieceEnd.LeftOut)
                    .SelectMany(p => p.Stacks)
                    .Select(s =>
                        s with
                        {
                            Parts = [.. s.Parts.Where(part => !stand.Contains(part.Id))],
                        }
                    )
            );
            var stands = stacks.SelectMany(s => s.Parts).Select(p => p.Id);
            // A count alone leaves the plan to whoever works on it meanwhile.
            if (!stand.SetEquals(stands))
            {
                work.Replace(plan, plan with { Stacks = stacks });
            }
        }
    }

    private KitPiece Counted(KitPiece piece, bool begun)
    {
        var i = Pieces.ToList().FindIndex(p => p.Name == piece.Name);
        if (i < 0)
        {
            return piece;
        }
        var input = Pieces[i];
        var why = TypedText.Line(input.Why, $"pieces[{i}].why");
        if (input.Found is < 0 or > 999)
        {
            throw Refuse.Value($"pieces[{i}].found", "Count the pieces: 0 or more.");
        }
        if (input.LeftOut && why is null)
        {
            throw Refuse.Value(
                $"pieces[{i}].why",
                $"Why is {piece.Name} left out? It stays on the record."
            );
        }
        var stands = piece.Stacks.Count > 0;
        if (begun && stands && input.LeftOut != (piece.End == KitPieceEnd.LeftOut))
        {
            throw Refuse.Value(
                $"pieces[{i}].leftOut",
                $"{piece.Name} was decided when the fitting began: change it with a second pass."
            );
        }
        return piece with
        {
            Found = input.Found,
            Why = input.LeftOut ? why : null,
            End =
                input.LeftOut ? KitPieceEnd.LeftOut
                : begun && (stands || input.Used) ? KitPieceEnd.Used
                : input.Found < piece.Count ? KitPieceEnd.Missing
                : KitPieceEnd.Open,
        };
    }
}

/// <summary>What the commands on kits have in common.</summary>
internal static class KitRules
{
    /// <summary>A kit of the job.</summary>
    public static Kit Named(JobDocument d, Guid id) =>
        d.Kits.FirstOrDefault(k => k.Id == id)
        ?? throw Refuse.Gone("This kit is not in the job any more.");

    /// <summary>Stacks with pieces that come to them, from the body down.</summary>
    public static IReadOnlyList<CornerStack> With(
        IReadOnlyList<CornerStack> stacks,
        IEnumerable<CornerStack> come
    )
    {
        var coming = come.ToLookup(s => s.Corner, s => s.Parts);
        return
        [
            .. Corners
                .All.Select(c => new CornerStack
                {
                    Corner = c,
                    Parts =
                    [
                        .. CornerStack
                            .Joined(
                                CornerStack.At(stacks, c),
                                [.. coming[c].SelectMany(parts => parts)]
                            )
                            .OrderBy(p => PartRule.Of(p.Kind).Order),
                    ],
                })
                .Where(s => s.Parts.Count > 0),
        ];
    }

    /// <summary>Stacks without some pieces.</summary>
    public static IReadOnlyList<CornerStack> Without(
        IReadOnlyList<CornerStack> stacks,
        IEnumerable<KitPiece> gone
    )
    {
        var ids = gone.SelectMany(p => p.Stacks).SelectMany(s => s.Parts).Select(p => p.Id);
        var without = ids.ToHashSet();
        return
        [
            .. stacks
                .Select(s => s with { Parts = [.. s.Parts.Where(p => !without.Contains(p.Id))] })
                .Where(s => s.Parts.Count > 0),
        ];
    }

    /// <summary>What a kit brings to a corner to which another kit of the plan brings it already; null where nothing.</summary>
    public static string? Twice(Kit kit, IEnumerable<Kit> others) =>
        (
            from other in others
            from piece in other.Pieces
            where piece.End != KitPieceEnd.LeftOut
            from there in piece.Stacks
            from mine in kit.Pieces
            from here in mine.Stacks
            where
                here.Corner == there.Corner
                && here.Parts[0].Kind == there.Parts[0].Kind
                && Variant.Same(mine.Name, piece.Name)
            select $"{other.Name} brings {piece.Name} to {here.Corner} already: leave it out there, or take that kit out."
        ).FirstOrDefault();
}
