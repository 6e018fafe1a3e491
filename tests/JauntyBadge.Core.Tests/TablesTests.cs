using System.Reflection;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;
using JauntyBadge.Core.Fitting;
using JauntyBadge.Core.Handover;
using UnitsNet;

namespace JauntyBadge.Core.Tests;

/// <summary>Rules are data: checked when loaded, each with its basis.</summary>
public class TablesTests
{
    /// <summary>A number without a basis is a defect; so is one that the house numbers do not list.</summary>
    [Fact]
    public void Every_grounded_number_of_the_core_is_listed_once_with_its_basis()
    {
        var declared = typeof(Basis)
            .Assembly.GetTypes()
            .SelectMany(t => t.GetFields(BindingFlags.Public | BindingFlags.Static))
            .Where(f => typeof(IGrounded).IsAssignableFrom(f.FieldType))
            .Select(f => ((IGrounded)f.GetValue(null)!).Id)
            .Order()
            .ToList();
        var listed = HouseNumbers.All.SelectMany(r => r.Numbers).ToList();
        Assert.True(declared.Count > 40);
        Assert.Equal(declared, listed.Select(n => n.Id).Order());
        Assert.Equal(listed.Count, listed.Select(n => n.Id).Distinct().Count());
        Assert.All(listed, n => Assert.True(n.Basis.Note.Length > 5 && n.What.Length > 10 && n.Show(n.Plain).Length > 0, n.Id));
    }

    [Fact]
    public void A_basis_says_its_kind_and_note() => Assert.Equal("House: because", Basis.House("because").ToString());

    [Fact]
    public void Spans_of_days_are_shown_as_days() => Assert.Equal("7 days", Progression.ShortGap.Show(Progression.ShortGap.Plain));

    [Fact]
    public void A_table_that_does_not_ship_stops_the_program_with_its_name()
    {
        var problem = Assert.Throws<InvalidDataException>(() => Tables.Read<Sign>("no-such.json"));
        Assert.Contains("no-such.json", problem.Message, StringComparison.Ordinal);
    }

    /// <summary>A row with an unknown member or a value of another kind is refused, not skipped.</summary>
    [Fact]
    public void A_row_that_cannot_be_read_stops_the_program()
    {
        var problem = Assert.Throws<InvalidDataException>(() => Tables.Read<Sign>("breeds.json"));
        Assert.Contains("breeds.json", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Offending_rows_are_named()
    {
        var twins = Assert.Throws<InvalidDataException>(() => Tables.RefuseTwins("t.json", ["a", "b", "a"]));
        Assert.Contains("every id once", twins.Message, StringComparison.Ordinal);
        Assert.EndsWith("a.", twins.Message, StringComparison.Ordinal);
        Tables.RefuseTwins("t.json", ["a", "b"]);
    }

    [Fact]
    public void Only_a_basket_has_a_basket_and_only_the_others_a_girth_range()
    {
        foreach (var model in Catalogue.Shipped)
        {
            foreach (var size in model.Sizes)
            {
                Assert.Equal(model.Type == MuzzleType.Basket, size.GirthRange() is null);
                if (model.Type != MuzzleType.Basket)
                    Assert.Throws<InvalidOperationException>(() => size.Basket(Core.Measuring.SnoutModel.From(Heads.Medium())));
            }
        }
    }

    [Fact]
    public void Ids_are_fit_for_addresses() =>
        Assert.All(
            Breed
                .Shipped.Select(b => b.Id)
                .Concat(Step.All.Select(s => s.Id))
                .Concat(Sign.All.Select(s => s.Id))
                .Concat(CoatColour.All.Select(c => c.Id))
                .Concat(Catalogue.Shipped.SelectMany(m => m.Sizes).Select(s => s.Id)),
            id => Assert.Matches("^[a-z0-9-]+$", id)
        );
}
