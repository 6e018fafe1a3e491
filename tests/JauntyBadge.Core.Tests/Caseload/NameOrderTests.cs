using JauntyBadge.Core.Caseload;

namespace JauntyBadge.Core.Tests.Caseload;

public sealed class NameOrderTests
{
    [Fact]
    public void Sixty_dogs_stand_as_a_person_would_put_them()
    {
        var names = Enumerable.Range(1, 60).Select(i => $"Dog {i}").ToList();
        Assert.Equal(names, names.OrderByDescending(n => n, StringComparer.Ordinal).Order(NameOrder.Natural));
    }

    [Theory]
    [InlineData("Dog 2", "Dog 10")]
    [InlineData("dog 2", "Dog 3")]
    [InlineData("Dog", "Dog 1")]
    [InlineData("Kennel 2 Ash", "Kennel 10 Ash")]
    [InlineData("Rex 0099999999999999999999", "Rex 100000000000000000000")]
    [InlineData("", "A")]
    public void The_first_comes_first(string first, string second)
    {
        Assert.True(NameOrder.Natural.Compare(first, second) < 0);
        Assert.True(NameOrder.Natural.Compare(second, first) > 0);
    }

    /// <summary>A law of any order: nothing is before itself, and names that differ are told apart, or a list would not stand still.</summary>
    [Theory]
    [InlineData("Dog 2", "Dog 02")]
    [InlineData("rex", "Rex")]
    public void What_differs_is_told_apart(string one, string other)
    {
        Assert.Equal(0, NameOrder.Natural.Compare(one, one));
        Assert.NotEqual(0, NameOrder.Natural.Compare(one, other));
        Assert.Equal(Math.Sign(NameOrder.Natural.Compare(one, other)), -Math.Sign(NameOrder.Natural.Compare(other, one)));
    }
}
