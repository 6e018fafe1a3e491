namespace JauntyBadge.Server.Tests.People;

/// <summary>What is refused before the practice is touched, in a sentence that says what would do.</summary>
public sealed class PublicAddressTests
{
    [Theory]
    [InlineData("http://van.example", "without TLS")]
    [InlineData("van.example", "such as https://van.example")]
    [InlineData("https://*", "such as https://van.example")]
    [InlineData("ftp://van.example", "such as https://van.example")]
    [InlineData("https://van.example/practice", "without anything behind it")]
    [InlineData("https://van.example/?a=b", "without anything behind it")]
    public async Task An_address_that_cannot_be_used_is_refused(string address, string says)
    {
        var folder = Path.Combine(Path.GetTempPath(), $"jaunty-badge-{Guid.NewGuid():N}");
        var ended = await RealServer.RunAsync(
            "--urls",
            "http://127.0.0.1:0",
            "--data",
            folder,
            "--contentRoot",
            AppContext.BaseDirectory,
            "--public-url",
            address
        );
        Opening.IsOneSentence(ended, says);
        Assert.False(Directory.Exists(folder));
    }

    [Fact]
    public async Task A_proxy_is_named_by_its_address()
    {
        var folder = Path.Combine(Path.GetTempPath(), $"jaunty-badge-{Guid.NewGuid():N}");
        Opening.IsOneSentence(
            await RealServer.RunAsync(
                "--urls",
                "http://127.0.0.1:0",
                "--data",
                folder,
                "--contentRoot",
                AppContext.BaseDirectory,
                "--public-url",
                "https://van.example",
                "--proxies",
                "the proxy"
            ),
            "--proxies takes addresses"
        );
    }
}
