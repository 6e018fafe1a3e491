using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using JauntyBadge.Core.Measuring.Heads;
using UnitsNet;

namespace JauntyBadge.Core.Tests.Fitting;

/// <summary>A drawn muzzle is as long and deep as the numbers say, and shows what it is made of and where it is fastened.</summary>
public sealed class DrawnMuzzleTests
{
    private static readonly IReadOnlyList<(RankedFit Fit, FitDrawing Drawing)> All =
    [
        .. Ranking
            .Rank(
                Catalogue.Shipped,
                new FitQuestion(
                    SnoutModel.From(
                        new SnoutNumbers
                        {
                            HeadShape = HeadShape.Medium,
                            NoseToInnerEyeLeft = Length.FromMillimeters(98),
                            SnoutHeight = Length.FromMillimeters(80),
                            SnoutWidth = Length.FromMillimeters(73),
                            JawToNose = Length.FromMillimeters(149),
                            NeckGirth = Length.FromMillimeters(430),
                        }
                    ),
                    MuzzleBrief.For(new DogProfile { Name = "Bracken", Purposes = [Purpose.Walks] }, new()),
                    Length.FromMillimeters(16)
                )
            )
            .Select(f => (f, FitDrawing.Of(f, HeadLook.Plain))),
    ];

    /// <summary>No more than half a bar, strap or line beyond the outline that is judged, and as far as it on every side.</summary>
    [Fact]
    public void It_is_to_scale()
    {
        foreach (var (fit, drawing) in All)
        {
            var wall = drawing.Basket.Single(s => s.Name == StrokePart.Wall).Points;
            var body = drawing.Drawn.Where(f => f.Part == MuzzlePart.Body).ToList();
            var points = body.SelectMany(f => f.Curve.Points()).ToList();
            var thick = body.Max(f => f.Width) / 2 + 0.6;
            var says = $"{fit.Model.Name} {fit.Size.Label}";
            Assert.True(Math.Abs(points.Min(p => p.X) - wall.Min(p => p.X)) <= thick, says);
            Assert.True(Math.Abs(points.Max(p => p.X) - wall.Max(p => p.X)) <= thick, says);
            Assert.True(Math.Abs(points.Max(p => p.Y) - wall.Max(p => p.Y)) <= thick, says);
            Assert.True(Math.Abs(points.Min(p => p.Y) - wall.Min(p => p.Y)) <= thick, says);
        }
    }

    [Fact]
    public void The_hole_to_use_is_marked_once_where_there_are_holes()
    {
        foreach (var (fit, drawing) in All)
        {
            var (marked, holes) = (drawing.Drawn.Count(f => f.Part == MuzzlePart.MarkedHole), drawing.Drawn.Count(f => f.Part == MuzzlePart.Hole));
            Assert.Equal(fit.Strap?.Hole is null ? (0, 0) : (1, Math.Min(fit.Strap.Holes!.Value, 9)), (marked, holes));
            Assert.Equal(fit.Model.ForeheadStrap == ForeheadStrap.Fitted, drawing.Drawn.Any(f => f.Part == MuzzlePart.ForeheadStrap));
            Assert.Equal(fit.Model.CollarLink, drawing.Drawn.Any(f => f.Part == MuzzlePart.CollarLink));
        }
    }

    /// <summary>Told apart by how they are made, whatever their colour: wire by its welds, moulds by their holes, leather by its rivets and seams, vinyl by what is seen through it.</summary>
    [Fact]
    public void Materials_look_different()
    {
        var drawn = All.GroupBy(a => a.Fit.Model.Material).ToDictionary(g => g.Key, g => g.First().Drawing.Drawn);
        Assert.Equal(Enum.GetValues<Material>().Length, drawn.Count);
        Assert.True(drawn[Material.CoatedWire].Count(f => f is { Part: MuzzlePart.Detail, Fill: not null }) > 20);
        Assert.All(new[] { Material.MouldedRubber, Material.RigidPlastic }, m => Assert.True(drawn[m].Max(f => f.Holes.Count) > 10));
        Assert.Contains(drawn[Material.Leather], f => f.Stitched);
        Assert.Contains(drawn[Material.Leather], f => f is { Part: MuzzlePart.Detail, Fill: not null });
        Assert.DoesNotContain(drawn[Material.CoatedWebbing], f => f is { Part: MuzzlePart.Detail, Fill: not null });
        Assert.Contains(drawn[Material.ClearVinyl], f => f is { Part: MuzzlePart.Body, Opacity: < 0.6 });
    }
}
