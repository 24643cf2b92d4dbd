<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Sru;

/** One record as MODS 3.7. */
final class ModsText
{
    /** @param  array<string, mixed>  $row an entry as the table keeps it */
    public static function of(array $row, string $key, string $source): string
    {
        $t = SruReply::text(...);
        $names = '';
        foreach ($row['authors'] as [$family, $given]) {
            $names .= "<name type=\"personal\"><namePart type=\"family\">{$t(
                $family,
            )}</namePart><namePart type=\"given\">{$t(
                $given,
            )}</namePart><role><roleTerm type=\"text\">author</roleTerm></role></name>";
        }
        $subjects = '';
        foreach ($row['headings'] as $heading) {
            $major = in_array($heading, $row['major'], true) ? ' usage="primary"' : '';
            $qualifiers = implode(
                '',
                array_map(fn (string $one): string => "<topic>{$t($one)}</topic>", $row['qualifiers'][$heading] ?? []),
            );
            $subjects .= "<subject authority=\"{$key}\"{$major}><topic>{$t($heading)}</topic>{$qualifiers}</subject>";
        }
        $genres = implode(
            '',
            array_map(fn (string $type): string => "<genre authority=\"{$key}\">{$t($type)}</genre>", $row['types']),
        );
        $pages =
            $row['firstPage'] === ''
                ? ''
                : "<extent unit=\"pages\"><start>{$t($row['firstPage'])}</start>".
                    ($row['lastPage'] === '' ? '' : "<end>{$t($row['lastPage'])}</end>").
                    '</extent>';
        $issue = $row['issue'] === '' ? '' : "<detail type=\"issue\"><number>{$t($row['issue'])}</number></detail>";

        return '<mods xmlns="http://www.loc.gov/mods/v3" version="3.7">'.
            "<titleInfo><title>{$t(
                $row['title'],
            )}</title></titleInfo>{$names}<typeOfResource>text</typeOfResource>{$genres}".
            "<originInfo><dateIssued>{$row['year']}</dateIssued></originInfo>".
            "<language><languageTerm type=\"text\">{$t(ucfirst($row['language']))}</languageTerm></language>".
            ($row['abstract'] === '' ? '' : "<abstract>{$t($row['abstract'])}</abstract>").
            $subjects.
            "<relatedItem type=\"host\"><titleInfo><title>{$t(
                $row['journal'][0],
            )}</title></titleInfo><titleInfo type=\"abbreviated\"><title>{$t($row['journal'][1])}</title></titleInfo>".
            ($row['journal'][2] === '' ? '' : "<identifier type=\"issn\">{$t($row['journal'][2])}</identifier>").
            '<part>'.
            ($row['volume'] === '' ? '' : "<detail type=\"volume\"><number>{$t($row['volume'])}</number></detail>").
            "{$issue}{$pages}</part></relatedItem>".
            ($row['doi'] === '' ? '' : "<identifier type=\"doi\">{$t($row['doi'])}</identifier>").
            "<recordInfo><recordIdentifier source=\"{$t($source)}\">{$t(
                $row['identifier'],
            )}</recordIdentifier></recordInfo></mods>";
    }
}
