using System.Globalization;
using System.Text.Json;
using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Server.Demo;

/// <content>Plans: of parts, of kits, with another suspension.</content>
internal sealed partial class DemoJob
{
    public void Plan(string name, (Corner Corner, Part Part)[] parts)
    {
        foreach (var (_, part) in parts)
        {
            _shelf[part.Id] = part with { Count = 1000 };
        }
        Plan(name, [.. parts.Select(p => (p.Corner, new PlacingInput(NewId(), p.Part.Id)))]);
    }

    /// <summary>A plan of parts, of pieces that are on the vehicle already, and of collars that are turned.</summary>
    public void Plan(string name, (Corner Corner, PlacingInput Piece)[] pieces)
    {
        Later(20);
        Do(
            new SavePlan(
                NewId(),
                NewId(),
                null,
                Document.CurrentStage()!.Id,
                name,
                [
                    .. Corners
                        .All.Where(c => pieces.Any(p => p.Corner == c))
                        .Select(c => new CornerPlacingsInput(
                            c,
                            [.. pieces.Where(p => p.Corner == c).Select(p => p.Piece)]
                        )),
                ]
            )
        );
    }

    /// <summary>All plans that stand side by side are offered to the owner.</summary>
    /// <param name="hourRate">What an hour costs.</param>
    public void Offer(double hourRate)
    {
        Later(30);
        Do(
            new MakeQuote(
                NewId(),
                NewId(),
                [.. Document.DraftPlans().Select(p => p.Id)],
                hourRate,
                DateOnly.FromDateTime(_now.UtcDateTime).AddDays(60)
            )
        );
    }

    /// <summary>A plan with a kit whose box was opened and counted; all of it is there but what is named.</summary>
    public void Kit(Part box, params (string Piece, int Found)[] short_)
    {
        _shelf[box.Id] = box;
        Later(20);
        Do(new PlaceKit(NewId(), NewId(), NewId(), null, box.Id));
        var kit = Document.Kits[^1];
        Later(10);
        Do(
            new CountKit(
                NewId(),
                kit.Id,
                0,
                [
                    .. kit.Pieces.Select(p => new KitPieceInput(
                        p.Name,
                        short_.FirstOrDefault(s => s.Piece == p.Name) is { Piece: not null } few
                            ? few.Found
                            : p.Count
                    )),
                ]
            )
        );
    }

    /// <summary>Bolts that were taped before anything is ordered, one at each place, each length in mm.</summary>
    public void Bolts(
        string plan,
        string thread,
        string grade,
        params (string Place, double Mm)[] bolts
    )
    {
        var id = Document.Plans.Single(p => p.Name == plan).Id;
        foreach (var (place, mm) in bolts)
        {
            Later(2);
            Do(
                new NoteJoint(
                    NewId(),
                    NewId(),
                    id,
                    place,
                    [
                        new FastenerInput(
                            "mount bolt",
                            1,
                            thread,
                            new QuantityInput(
                                mm.ToString(CultureInfo.InvariantCulture),
                                Unit.Mm,
                                Known.Measured
                            ),
                            null,
                            "19",
                            false,
                            null,
                            grade
                        ),
                    ]
                )
            );
        }
    }

    /// <summary>Another suspension for an axle in the plan that is drawn up: set up at so many inches from hub to lip, with sizes as they are typed.</summary>
    public void Convert(
        Axle axle,
        SuspensionKind kind,
        string sheet,
        string setUpAt,
        params (string Name, string Typed)[] sizes
    )
    {
        Later(15);
        Do(
            new ConvertAxle(
                NewId(),
                Document.DraftPlan()!.Id,
                0,
                axle,
                kind,
                [
                    .. sizes.Select(s => new SizeInput(
                        s.Name,
                        new QuantityInput(
                            s.Typed,
                            SuspensionSizes.Find(s.Name)!.Unit,
                            Known.Measured
                        )
                    )),
                ],
                sheet,
                new QuantityInput(setUpAt, Unit.Inch, Known.Measured),
                Datum.Hub
            )
        );
    }
}
