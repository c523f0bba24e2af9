using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is in a box, as it is typed and as it comes with a file.</summary>
public class KitInputTests
{
    private static readonly BoxedPieceInput Plate = new(
        "strut plate",
        2,
        [Corner.RF, Corner.LF],
        PartKind.StrutTopSpacer,
        Workshop.Typed("1", Unit.Inch)
    );

    private static SavePart Save(params BoxedPieceInput[] pieces) =>
        Workshop.SavePlate() with
        {
            Name = "Alder kit",
            Part = PartKind.Kit,
            Thickness = null,
            Contents = new KitInput(Workshop.Typed("2", Unit.Inch), null, pieces),
        };

    private static Refusal Refused(SavePart save) =>
        Assert.Throws<RefusedException>(() => save.Read()).Refusal;

    [Fact]
    public void A_box_is_read_piece_by_piece()
    {
        var box = Save(Plate, new BoxedPieceInput(" flange nut ", 8)).Read().Contents!;
        Assert.Equal(50.8, box.FrontClaim!.In(Unit.Mm), 1e-9);
        Assert.Null(box.RearClaim);
        Assert.Null(box.Sheet);
        var plate = box.Pieces[0];
        Assert.Equal([Corner.LF, Corner.RF], plate.At);
        Assert.Equal(
            (PartKind.StrutTopSpacer, 25.4, (Guid?)null),
            (plate.Part!.Kind, plate.Part.Thickness!.In(Unit.Mm), plate.Part.PartId)
        );
        Assert.Equal(
            ("flange nut", 8, 0, null),
            (box.Pieces[1].Name, box.Pieces[1].Count, box.Pieces[1].At.Count, box.Pieces[1].Part)
        );
    }

    public static TheoryData<string, BoxedPieceInput> Wrong { get; } =
        new()
        {
            { "contents.pieces[1].name", Plate with { Name = " Strut plate" } },
            { "contents.pieces[1].name", Plate with { Name = " " } },
            { "contents.pieces[1].count", Plate with { Name = "other", Count = 0 } },
            { "contents.pieces[1].count", Plate with { Name = "other", Count = 3 } },
            { "contents.pieces[1].at", Plate with { Name = "other", At = [] } },
            { "contents.pieces[1].part", Plate with { Name = "other", Part = null } },
            { "contents.pieces[1].part", Plate with { Name = "other", Part = PartKind.Kit } },
            { "contents.pieces[1].part", Plate with { Name = "other", Part = PartKind.Unknown } },
            {
                "contents.pieces[1].thickness",
                Plate with
                {
                    Name = "other",
                    Thickness = Workshop.Typed("some", Unit.Inch),
                }
            },
            {
                "contents.pieces[1].sizes",
                Plate with
                {
                    Name = "other",
                    Sizes = [new PartSizeInput("waist", Workshop.Typed("1", Unit.Inch))],
                }
            },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_is_wrong_is_named_where_it_stands(string field, BoxedPieceInput second) =>
        Assert.Equal(field, Refused(Save(Plate, second)).Field);

    [Fact]
    public void A_box_holds_something_and_only_a_kit_is_a_box()
    {
        Assert.Equal("contents.pieces", Refused(Save()).Field);
        Assert.Equal("contents.pieces", Refused(Save([null!])).Field);
        Assert.Equal(
            "contents.pieces",
            Refused(
                Save([
                    .. Enumerable
                        .Range(0, KitContents.Most + 1)
                        .Select(i => new BoxedPieceInput($"piece {i}", 1)),
                ])
            ).Field
        );
        Assert.Equal("contents", Refused(Save(Plate) with { Part = PartKind.Block }).Field);
        // A kit of which nobody knows what is in it may lie on the shelf.
        Assert.Null((Save() with { Contents = null }).Read().Contents);
    }

    [Fact]
    public void What_a_sheet_says_has_its_source()
    {
        SavePart With(string? source, string? torques) =>
            Save(Plate) with
            {
                Contents = Save(Plate).Contents! with { Source = source, Torques = torques },
            };
        Assert.Equal("contents.source", Refused(With(" ", "nuts 45 Nm")).Field);
        Assert.Equal(
            new KitSheet("print 4", null, "nuts 45 Nm", null),
            With("print 4", "nuts 45 Nm").Read().Contents!.Sheet
        );
        Assert.Null(With("print 4", null).Read().Contents!.Sheet);
    }

    [Fact]
    public void A_box_comes_through_a_file_as_it_was_and_a_table_leaves_it_alone()
    {
        var kit = (
            Save(Plate, new BoxedPieceInput("flange nut", 8)) with
            {
                Contents = Save(Plate, new BoxedPieceInput("flange nut", 8)).Contents! with
                {
                    Source = "print 4",
                    Steps = "Feed the studs.",
                },
            }
        ).Read();
        var read = ReadInShelf.Checked(kit);
        Assert.Equal(
            System.Text.Json.JsonSerializer.Serialize(kit, JobJson.Options),
            System.Text.Json.JsonSerializer.Serialize(read, JobJson.Options)
        );
        var shelf = new Dictionary<(string, string), Part> { [(kit.Number, kit.Name)] = kit };
        Assert.False(ReadInShelf.Against(shelf, read, whole: true).Changes);
        var row = ReadInShelf.Checked(kit with { Contents = null, Count = 5 });
        Assert.Equal(kit.Contents, ReadInShelf.Against(shelf, row, whole: false).Next.Contents);
        // A gap in a hostile file is named, not stumbled over.
        foreach (
            var gap in new[]
            {
                kit.Contents! with
                {
                    Pieces = [null!],
                },
                kit.Contents! with
                {
                    Pieces =
                    [
                        kit.Contents!.Pieces[0] with
                        {
                            Part = kit.Contents.Pieces[0].Part! with { Leaves = [null!] },
                        },
                    ],
                },
            }
        )
        {
            Assert.Equal(
                "parts",
                Assert
                    .Throws<RefusedException>(() =>
                        ReadInShelf.Checked(kit with { Contents = gap })
                    )
                    .Refusal.Field
            );
        }
    }
}
