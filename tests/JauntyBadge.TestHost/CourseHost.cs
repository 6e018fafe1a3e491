using System.Globalization;
using System.Text.Json;
using JauntyBadge.Core.Conditioning;
using JauntyBadge.Core.Dogs;

namespace JauntyBadge.TestHost;

/// <summary>
/// Serves a practice whose clock can be turned, and plays the dog, for a browser that trains it through weeks in a minute. One command a line, one
/// answer a line: <c>turn TIME</c>; <c>dog TEMPERAMENT STEPS SEED</c>; <c>day DAYS-SINCE</c>; <c>go STEP TARGET TOP-TARGET</c>. It ends with its input.
/// </summary>
internal static class CourseHost
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    private static int Main(string[] args)
    {
        if (args is not [var folder, .. { Length: <= 1 } publicUrl])
        {
            Console.Error.WriteLine("Name the folder of the practice, and the address people reach it at where they sign in.");
            return 2;
        }

        var clock = new TurnedClock();
        using var practice = new HostedPractice(Path.GetFullPath(folder), demo: false, clock) { PublicUrl = publicUrl.FirstOrDefault() };
        // Where the factory looks for what says where the product is.
        Environment.CurrentDirectory = AppContext.BaseDirectory;
        // The answers have the output to themselves.
        Environment.SetEnvironmentVariable("Logging__Console__LogToStandardErrorThreshold", "Trace");
        practice.Start();
        Say(new { Address = practice.ClientOptions.BaseAddress.ToString().TrimEnd('/') });
        VirtualDog? dog = null;
        while (Console.ReadLine() is { } line)
        {
            switch (line.Split(' '))
            {
                case ["turn", var to]:
                    clock.Turn(DateTimeOffset.Parse(to, CultureInfo.InvariantCulture));
                    Say(new { Now = clock.GetUtcNow() });
                    break;
                case ["dog", var temperament, var steps, var seed]:
                    dog = new(DogNature.Of(Enum.Parse<Temperament>(temperament, ignoreCase: true)), Whole(steps), new Random(Whole(seed)));
                    Say(new { Steps = Whole(steps) });
                    break;
                case ["day", var since] when dog is not null:
                    dog.Begin(Whole(since));
                    Say(new { Since = Whole(since) });
                    break;
                case ["go", var step, var target, var top] when dog is not null:
                    var (good, sign) = dog.Go(Whole(step), Whole(target), Whole(top));
                    Say(new { Good = good, Sign = JsonNamingPolicy.CamelCase.ConvertName(sign.ToString()) });
                    break;
                default:
                    Console.Error.WriteLine($"Not understood: {line}");
                    return 2;
            }
        }

        return 0;
    }

    private static int Whole(string number) => int.Parse(number, CultureInfo.InvariantCulture);

    private static void Say(object answer) => Console.WriteLine(JsonSerializer.Serialize(answer, Json));
}
