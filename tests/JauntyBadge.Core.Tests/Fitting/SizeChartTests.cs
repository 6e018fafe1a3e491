using System.Globalization;
using CsvHelper;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Measuring;
using UnitsNet;
using static JauntyBadge.Core.Tests.Heads;

namespace JauntyBadge.Core.Tests.Fitting;

public class SizeChartTests
{
    private const string Inches =
        "Size;Inside length (in);Circumference (in);Neck strap (in);Weight (oz)\nS;3 1/2;9 3/4;11-16;4.5\nM;4.25;11 1/2;13–18 1/2;6\nL;five;13;15-21;7\nXL;5 1/4;14;24-18;8\n";

    /// <summary>The "in" of "Length in cm" is no inch, of two units the first is read, and units may stand on a row of their own.</summary>
    [Theory]
    [InlineData("Size,Length in cm,Girth in cm\nM,9.5,33", 95, 330)]
    [InlineData("Size,Length (in),Girth (in)\nM,3 3/4,13", 95.25, 330.2)]
    [InlineData("Size,Length mm / in,Girth mm / in\nM,95 / 3 3/4,330 / 13", 95, 330)]
    [InlineData("Size,Inside length,Girth\n,cm,cm\nM,9.5*,33 †", 95, 330)]
    public void The_unit_is_the_one_the_heading_means(string text, double length, double girth)
    {
        var size = Assert.Single(SizeChart.Read(text, SizeChart.Open(text, MuzzleType.Basket)!.Guess, MuzzleType.Basket)).Size!;
        Assert.Equal((length, girth), (size.Length.Millimeters, size.OpeningGirth!.Value.Millimeters));
    }

    [Theory]
    [InlineData("£18.00", 18.00)]
    [InlineData("€ 24,90", 24.90)]
    [InlineData("24.90 EUR", 24.90)]
    public void A_price_is_read_with_its_sign(string price, decimal read)
    {
        var text = $"Size;Length mm;Girth mm;Price\nM;95;330;{price}";
        Assert.Equal(read, SizeChart.Read(text, SizeChart.Open(text, MuzzleType.Basket)!.Guess, MuzzleType.Basket)[0].Size!.Price);
    }

    /// <summary>A comma inside a number makes a cell too many: what stands behind it would go to the wrong columns, or nowhere.</summary>
    [Fact]
    public void A_row_with_more_cells_than_headings_is_not_read()
    {
        const string Text = "Size,Length mm,Girth mm\nM,95,0,330";
        var row = Assert.Single(SizeChart.Read(Text, SizeChart.Open(Text, MuzzleType.Basket)!.Guess, MuzzleType.Basket));
        Assert.Null(row.Size);
        Assert.Contains("4 cells under 3 headings", row.Problems[0], StringComparison.Ordinal);
    }

    /// <summary>10 beside 340: centimetres beside millimetres.</summary>
    [Fact]
    public void A_length_in_another_unit_than_the_girth_is_questioned()
    {
        const string Text = "Size,Length mm,Girth mm\nM,10,340";
        var row = Assert.Single(SizeChart.Read(Text, SizeChart.Open(Text, MuzzleType.Basket)!.Guess, MuzzleType.Basket));
        Assert.Null(row.Size);
        Assert.Contains(row.Problems, p => p.Contains("look at the units of both columns", StringComparison.Ordinal));
    }

    /// <summary>What is the dog's, and what is outside, is not taken for the basket's inside, and is said to be so.</summary>
    [Fact]
    public void What_is_not_the_inside_is_told_from_it()
    {
        const string Text = "Size,Inside length mm,Dog snout circumference mm,Outside width mm,Dog size\nM,95,240-270,90,medium";
        var opened = SizeChart.Open(Text, MuzzleType.Basket)!;
        Assert.Equal([new(2, ChartAside.Dog), new(3, ChartAside.Outside)], opened.Aside);
        Assert.Equal([(0, ChartField.Label), (1, ChartField.Length), (2, ChartField.GirthRange)], opened.Guess.Select(g => (g.Column, g.Field)));
    }

    [Fact]
    public void A_chart_in_inches_is_opened_with_its_columns_guessed()
    {
        var opened = SizeChart.Open(Inches, MuzzleType.Basket)!;
        Assert.Equal(5, opened.Headings.Count);
        Assert.Equal(
            [
                new(0, ChartField.Label, ChartUnit.None),
                new(1, ChartField.Length, ChartUnit.In),
                new(2, ChartField.OpeningGirth, ChartUnit.In),
                new(3, ChartField.NeckStrapRange, ChartUnit.In),
                new ChartColumn(4, ChartField.Mass, ChartUnit.Oz),
            ],
            opened.Guess
        );
    }

    [Fact]
    public void Good_rows_are_read_and_bad_ones_say_which_cell_and_why()
    {
        var rows = SizeChart.Read(Inches, SizeChart.Open(Inches, MuzzleType.Basket)!.Guess, MuzzleType.Basket);
        Assert.Equal([2, 3, 4, 5], rows.Select(r => r.Row));
        var small = rows[0].Size!;
        Assert.Equal(
            ("S", 88.9, 247.65, 279.4, 406.4),
            (small.Label, small.Length.Millimeters, small.OpeningGirth?.Millimeters, small.NeckStrapMin?.Millimeters, small.NeckStrapMax?.Millimeters)
        );
        Assert.Equal(128, small.Mass?.Grams); // 4.5 oz, rounded
        Assert.True(small.IsLengthAndGirthOnly);
        Assert.Contains(ChartGap.Shape, rows[0].Assumed);
        Assert.EndsWith("the snout and 14 mm", Words.Fitting.Of(ChartGap.Shape), StringComparison.Ordinal);
        Assert.Equal(469.9, rows[1].Size!.NeckStrapMax?.Millimeters);
        Assert.Contains("\"five\" is not a length", Assert.Single(rows[2].Problems), StringComparison.Ordinal);
        Assert.Contains("upside down", Assert.Single(rows[3].Problems), StringComparison.Ordinal);
    }

    [Fact]
    public void A_cell_that_names_its_unit_keeps_it()
    {
        const string Mixed = "size,length_mm,girth\nS,9.5 cm,260\n";
        var rows = SizeChart.Read(
            Mixed,
            [new(0, ChartField.Label, ChartUnit.None), new(1, ChartField.Length, ChartUnit.Mm), new(2, ChartField.OpeningGirth, ChartUnit.Mm)],
            MuzzleType.Basket
        );
        Assert.Equal((95, 260), (rows[0].Size!.Length.Millimeters, rows[0].Size!.OpeningGirth?.Millimeters));
        Assert.Contains(ChartGap.NeckStrap, rows[0].Assumed);
    }

    [Theory]
    [InlineData("size,length\n\"S,90\n", "quotation mark")]
    [InlineData("size,length\nS,90\nS,95\n", "there twice")]
    [InlineData("size,length\nS,\n", "cell is empty")]
    [InlineData("size,length\n,90\n", "label")]
    [InlineData("size,length\nS,4000 mm\n", "1500")]
    public void What_cannot_be_used_is_said(string text, string says)
    {
        var rows = SizeChart.Read(text, [new(0, ChartField.Label, ChartUnit.None), new(1, ChartField.Length, ChartUnit.Mm)], MuzzleType.Basket);
        Assert.Contains(rows.SelectMany(r => r.Problems), p => p.Contains(says, StringComparison.Ordinal));
        Assert.Contains(rows, r => r.Size is null);
    }

    [Fact]
    public void A_mapping_without_length_or_with_a_field_twice_is_refused()
    {
        Assert.Throws<ArgumentException>(() => SizeChart.Read("a,b\n", [new(0, ChartField.Label, ChartUnit.None)], MuzzleType.Basket));
        Assert.NotNull(
            SizeChart.Problem([new(0, ChartField.Label, ChartUnit.None), new(1, ChartField.Length, ChartUnit.Mm), new(2, ChartField.Length, ChartUnit.Mm)])
        );
        Assert.Null(SizeChart.Open("no headings", MuzzleType.Basket));
    }

    [Fact]
    public void Every_shipped_model_goes_out_and_comes_back_the_same()
    {
        foreach (var model in Catalogue.Shipped)
        {
            var text = SizeChart.Write(model);
            var rows = SizeChart.Read(text, SizeChart.Open(text, model.Type)!.Guess, model.Type);
            Assert.Equal(model.Sizes.Select(s => s with { Id = "" }), rows.Select(r => r.Size!));
        }
    }

    /// <summary>Second way: RFC 4180 as CsvHelper reads it by itself.</summary>
    [Fact]
    public void What_is_written_is_csv_another_reader_understands_and_no_formula()
    {
        var model = Catalogue.Shipped[0] with { Sizes = [Catalogue.Shipped[0].Sizes[0] with { Label = "=1+1, \"wide\"" }] };
        using var csv = new CsvReader(new StringReader(SizeChart.Write(model)), CultureInfo.InvariantCulture);
        Assert.True(csv.Read() && csv.ReadHeader() && csv.Read());
        Assert.Equal("'=1+1, \"wide\"", csv.GetField("label"));
        Assert.Equal(model.Sizes[0].Length.Millimeters, csv.GetField<double>("length_mm"));
        var text = SizeChart.Write(model);
        Assert.Equal("=1+1, \"wide\"", SizeChart.Read(text, SizeChart.Open(text, MuzzleType.Basket)!.Guess, MuzzleType.Basket)[0].Size!.Label);
    }

    [Theory]
    [InlineData(100, 80, 70, 300, null)]
    [InlineData(100, 80, 70, 200, "at least 213")] // 2·√(80² + 70²) = 212.6
    [InlineData(100, 80, 70, 310, "at most 300")]
    public void A_rear_edge_no_girth_goes_round_is_refused(double length, double depth, double width, double girth, string? says)
    {
        var size = new MuzzleSize(
            "x",
            "X",
            Mm(length),
            Mm(300),
            Mm(400),
            DepthFront: Mm(depth),
            DepthRear: Mm(depth),
            WidthRear: Mm(width),
            OpeningGirth: Mm(girth)
        );
        var problems = MuzzleCheck.Of(MuzzleType.Basket, size);
        if (says is null)
            Assert.Empty(problems);
        else
            Assert.Contains(says, Assert.Single(problems).Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_strap_upside_down_half_a_geometry_and_an_empty_model_are_refused()
    {
        var size = new MuzzleSize("x", "X", Mm(100), Mm(400), Mm(300), DepthFront: Mm(90), OpeningGirth: Mm(280));
        Assert.Equal(["neckStrapMaxMm", "depthRearMm"], MuzzleCheck.Of(MuzzleType.Basket, size).Select(p => p.Field));
        var model = Catalogue.Shipped[0] with { Name = " ", Sizes = [], Colours = [new("red", "red")] };
        Assert.Equal(["name", "colours", "sizes"], MuzzleCheck.Of(model).Select(p => p.Field));
        Assert.Equal(["girthMinMm"], MuzzleCheck.Of(MuzzleType.Sleeve, size with { NeckStrapMin = null, NeckStrapMax = null }).Select(p => p.Field));
    }

    /// <summary>Charts as makers send them: a title and a note above the headings, inch marks, ranges in words, dashes for nothing, what is said of the dog.</summary>
    [Fact]
    public void A_chart_with_titles_inch_marks_ranges_and_dashes_is_read()
    {
        const string Chart =
            "Quillet size guide,,,,\nAll sizes in inches,,,,\nSize,Length,Neck,Dog weight,Circumference\nS,3 1/2\",12 to 16 in,10-20 lb,\"10 1/2\"\"\"\nM,4\",-,20-40 lb,12 in\n";
        var opened = SizeChart.Open(Chart, MuzzleType.Basket)!;
        Assert.Equal(["Size", "Length", "Neck", "Dog weight", "Circumference"], opened.Headings);
        Assert.DoesNotContain(opened.Guess, g => g.Field == ChartField.Mass);
        var rows = SizeChart.Read(Chart, opened.Guess, MuzzleType.Basket);
        Assert.All(rows, r => Assert.Empty(r.Problems));
        Assert.Equal([88.9, 101.6], rows.Select(r => r.Size!.Length.Millimeters));
        Assert.Equal((304.8, 406.4), (rows[0].Size!.NeckStrapMin!.Value.Millimeters, rows[0].Size!.NeckStrapMax!.Value.Millimeters));
        Assert.Null(rows[1].Size!.NeckStrapMin);
        Assert.Equal([4, 5], rows.Select(r => r.Row));
    }

    /// <summary>The longer end reaches the eyes first; room is what is surely there. That a range stood there is said beside the row.</summary>
    [Fact]
    public void A_range_where_one_length_is_meant_is_read_with_care()
    {
        const string Chart = "Size,Length cm,Girth cm\nS,9–10,27 to 29\nM,eleven,32\n";
        var opened = SizeChart.Open(Chart, MuzzleType.Basket)!;
        var rows = SizeChart.Read(Chart, opened.Guess, MuzzleType.Basket);
        Assert.Equal((100, 270), (rows[0].Size!.Length.Millimeters, rows[0].Size!.OpeningGirth!.Value.Millimeters));
        Assert.Contains(ChartGap.Range, rows[0].Assumed);
        Assert.Contains("reaches the eyes first", Words.Fitting.Of(ChartGap.Range), StringComparison.Ordinal);
        Assert.Contains("not a length", Assert.Single(rows[1].Problems), StringComparison.Ordinal);
    }

    [Fact]
    public void Bare_numbers_that_would_make_a_muzzle_of_twelve_millimetres_are_asked_about()
    {
        const string Chart = "Size,Length,Girth\nS,9,26\nM,12,32\n";
        var opened = SizeChart.Open(Chart, MuzzleType.Basket)!;
        Assert.Equal(ChartUnit.None, opened.Guess.Single(g => g.Field == ChartField.Length).Unit);
        Assert.All(SizeChart.Read(Chart, opened.Guess, MuzzleType.Basket), r => Assert.Contains("has no unit", r.Problems[0], StringComparison.Ordinal));
        var inCm = opened.Guess.Select(g => SizeChart.IsLength(g.Field) ? g with { Unit = ChartUnit.Cm } : g).ToList();
        Assert.Equal([90, 120], SizeChart.Read(Chart, inCm, MuzzleType.Basket).Select(r => r.Size!.Length.Millimeters));
    }

    /// <summary>Two models in one file go by the same labels and are read one at a time; five thousand rows are no trouble.</summary>
    [Fact]
    public void Several_models_in_one_file_are_read_one_at_a_time()
    {
        var chart =
            "Model,Size,Length mm,Girth mm\n" + string.Concat(Enumerable.Range(0, 5000).Select(i => $"Reed {i / 50},S{i % 50},{60 + i % 50},{250 + i % 50}\n"));
        var opened = SizeChart.Open(chart, MuzzleType.Basket)!;
        Assert.Equal(100, opened.Models.Count);
        var rows = SizeChart.Read(chart, opened.Guess, MuzzleType.Basket, "Reed 7");
        Assert.Equal(50, rows.Count);
        Assert.All(rows, r => Assert.NotNull(r.Size));
        Assert.Contains(
            SizeChart.Read(chart, opened.Guess, MuzzleType.Basket),
            r => r.Problems.Any(p => p.Contains("several models", StringComparison.Ordinal))
        );
    }
}
