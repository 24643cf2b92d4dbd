<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Queries\Coding\Themes\ThemeTree;
use stdClass;
use WaryHeron\Core\Report\Document\Node;

/** Findings as far as analyses and themes tell them: numbers that stay live, and no word of what they mean. */
final readonly class FindingsDraft
{
    /** Themes are told one by one up to here, those that most studies speak of. */
    private const THEMES = 8;

    /** @return array<string, list<Node>> paragraphs by section of the template */
    public static function of(Review $review, NumberedWords $numbers): array
    {
        $sections = [];
        foreach (KeptAnalysis::of($review)->get() as $kept) {
            $sections["analysis {$kept->id}"] = self::pooled($kept, $numbers);
        }
        $sections['studies'] = self::themes($review, $numbers);

        return array_filter($sections);
    }

    /** @return list<Node> */
    private static function pooled(KeptAnalysis $kept, NumberedWords $numbers): array
    {
        $of = "analysis {$kept->id}";
        $studies = $numbers->shown("{$of} k");
        if (in_array($studies, ['–', '0'], true)) {
            return [];
        }
        $measure = $kept->asked()->measure->label();
        $article = $measure[0] === 'o' ? 'an' : 'a';
        $pieces = [
            ["{$of} k"],
            $studies === '1' ? ' study with ' : ' studies with ',
            ["{$of} people"],
            " people gave {$article} {$measure} of ",
            ["{$of} estimate"],
        ];
        $spread = $numbers->has("{$of} i2")
            ? ['; of the variation between them ', ["{$of} i2"], ' is more than chance (I²).']
            : ['.'];

        return [$numbers->paragraph(...$pieces, ...$spread)];
    }

    /** @return list<Node> */
    private static function themes(Review $review, NumberedWords $numbers): array
    {
        $themes = array_filter(ThemeTree::of($review)->themes, fn (stdClass $one): bool => $numbers->has("theme {$one->id} studies"));
        usort($themes, fn (stdClass $a, stdClass $b): int => [$b->studies, $b->passages] <=> [$a->studies, $a->passages]);
        $pieces = [];
        foreach (array_slice($themes, 0, self::THEMES) as $i => $one) {
            array_push(
                $pieces,
                ($i === 0 ? 'The studies speak of ' : ', ')."“{$one->name}” (",
                ["theme {$one->id} passages"],
                (int) $one->passages === 1 ? ' passage in ' : ' passages in ',
                ["theme {$one->id} studies"],
                (int) $one->studies === 1 ? ' study)' : ' studies)',
            );
        }

        return $pieces === [] ? [] : [$numbers->paragraph(...$pieces, ...['.'])];
    }
}
