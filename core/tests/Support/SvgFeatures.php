<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

/** Small drawings of our own that each use one part of SVG, on a page of 100 by 100 units. */
final class SvgFeatures
{
    private const STAR = 'M50 8L61 39H94L68 59L78 91L50 72L22 91L32 59L6 39H39Z';

    /** @return array<string, string> by what they use */
    public static function all(): array
    {
        $star = self::STAR;
        $two = '<stop offset=".1" stop-color="#c33"/><stop offset=".9" stop-color="#fd6"/>';
        $bodies = [
            'clip of nested clips' => "<clipPath id='a'><circle cx='50' cy='50' r='40'/></clipPath><clipPath id='b' clip-path='url(#a)'><path d='{$star}'/></clipPath><g clip-path='url(#b)'><rect width='100' height='50' fill='#277'/><rect y='50' width='100' height='50' fill='#c83'/></g>",
            'clip of a group by its box' => "<clipPath id='a' clipPathUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.4'/></clipPath><g"
                ." clip-path='url(#a)' transform='rotate(20 50 50)'><rect x='10' y='20' width='30' height='60' fill='#277'/><rect x='40' y='20' width='50'"
                ." height='60' fill='#c83'/></g>",
            'clip with a child that is clipped' => "<clipPath id='i'><rect width='50' height='100'/></clipPath><clipPath id='a'><circle cx='50' cy='50'"
                ." r='40' clip-path='url(#i)'/><rect x='60' y='60' width='30' height='30'/></clipPath><rect width='100' height='100' fill='#744'"
                ." clip-path='url(#a)'/>",
            'clip with text' => "<clipPath id='a'><text x='4' y='70' font-size='60' font-weight='bold'>Ost</text></clipPath><g clip-path='url(#a)'><rect"
                ." width='100' height='50' fill='#277'/><rect y='50' width='100' height='50' fill='#c83'/></g>",
            'clip rule' => "<clipPath id='a'><path clip-rule='evenodd' d='M10 10H90V90H10ZM30 30H70V70H30Z'/></clipPath><rect width='100' height='100'"
                ." fill='#744' clip-path='url(#a)'/>",
            'mask of white with a black hole' => "<mask id='m'><rect width='100' height='100' fill='#fff'/><path d='{$star}'/></mask><rect x='5' y='5' width='90' height='90' fill='#277' mask='url(#m)'/>",
            'mask in user space with stroke' => "<mask id='m' maskUnits='userSpaceOnUse' x='10' y='10' width='60' height='80'><rect width='100'"
                ." height='100' fill='white'/><path d='M0 0L100 100' stroke='black' stroke-width='12'/></mask><g mask='url(#m)'><circle cx='50' cy='50'"
                ." r='45' fill='#c83'/><rect x='40' y='40' width='60' height='20' fill='#277'/></g>",
            'mask of greys' => "<mask id='m'><rect width='50' height='100' fill='#fff'/><rect x='50' width='50' height='100' fill='#888'/></mask><path d='{$star}' fill='#277' mask='url(#m)'/>",
            'mask by alpha' => "<mask id='m' mask-type='alpha'><circle cx='50' cy='50' r='30'/></mask><rect width='100' height='100' fill='#277'"
                ." mask='url(#m)'/>",
            'mask in box units' => "<mask id='m' maskContentUnits='objectBoundingBox'><circle cx='.5' cy='.5' r='.45' fill='white'/></mask><rect x='20'"
                ." y='30' width='70' height='40' fill='#277' mask='url(#m)'/>",
            'marker on a polyline' => "<marker id='m' orient='auto' markerWidth='4' markerHeight='4' refX='2' refY='2'><path d='M0 0L4 2L0 4Z'"
                ." fill='#c33'/></marker><polyline points='10,80 30,20 60,60 90,15' fill='none' stroke='#277' stroke-width='4' marker-start='url(#m)'"
                ." marker-mid='url(#m)' marker-end='url(#m)'/>",
            'marker with a view box on an arc' => "<marker id='m' viewBox='0 0 10 10' refX='5' refY='5' markerWidth='5' markerHeight='5'"
                ." orient='auto-start-reverse'><path d='M0 0L10 5L0 10Z' fill='#c33'/></marker><path d='M15 50A35 35 0 1 1 50 85' fill='none'"
                ." stroke='#277' stroke-width='3' marker-start='url(#m)' marker-mid='url(#m)' marker-end='url(#m)'/>",
            'marker in user units, cut to its frame' => "<marker id='m' markerUnits='userSpaceOnUse' markerWidth='12' markerHeight='12' refX='6'"
                ." refY='6'><circle cx='6' cy='6' r='9' fill='#c33'/></marker><path d='M20 20C40 90 60 90 80 20Z' fill='#9bd' stroke='#277'"
                ." stroke-width='2' style='marker:url(#m)'/>",
            'pattern of dots' => "<pattern id='p' width='12' height='12' patternUnits='userSpaceOnUse'><circle cx='6' cy='6' r='4' fill='#c33'/></pattern><path d='{$star}' fill='url(#p)' stroke='#333'/>",
            'pattern in box units, turned' => "<pattern id='p' width='.2' height='.2' patternTransform='rotate(30)' ><rect width='9' height='5'"
                ." fill='#277'/><rect y='9' width='20' height='3' fill='#c83'/></pattern><circle cx='50' cy='50' r='40' fill='url(#p)'/>",
            'pattern with a view box, by href' => "<pattern id='q' viewBox='0 0 4 4' width='20' height='20' patternUnits='userSpaceOnUse'><path d='M0"
                ." 0h2v2h-2zM2 2h2v2h-2z' fill='#277'/></pattern><pattern id='p' href='#q' x='5'/><rect x='8' y='8' width='84' height='70' fill='url(#p)'/>",
            'pattern on a stroke' => "<pattern id='p' width='8' height='8' patternUnits='userSpaceOnUse'><rect width='4' height='8' fill='#277'/><rect"
                ." x='4' width='4' height='8' fill='#c83'/></pattern><circle cx='50' cy='50' r='32' fill='none' stroke='url(#p)' stroke-width='16'/>",
            'linear gradient in box units' => "<linearGradient id='g' x2='1' y2='1'>{$two}</linearGradient><path d='{$star}' fill='url(#g)'/>",
            'linear gradient in user space, reflected, turned, by href' => "<linearGradient id='h'>{$two}</linearGradient><linearGradient id='g' href='#h' gradientUnits='userSpaceOnUse' x1='40' x2='60' spreadMethod='reflect' gradientTransform='rotate(30 50 50)'/><path d='{$star}' fill='url(#g)' transform='translate(2 3) scale(.9)'/>",
            'radial gradient with a focus' => "<radialGradient id='g' fx='.3' fy='.3' r='.6'>{$two}</radialGradient><rect x='10' y='20' width='80' height='60' fill='url(#g)'/>",
            'gradient on a stroke' => "<linearGradient id='g'>{$two}</linearGradient><circle cx='50' cy='50' r='35' fill='none' stroke='url(#g)' stroke-width='12'/>",
            'gradient repeated' => "<radialGradient id='g' gradientUnits='userSpaceOnUse' cx='50' cy='50' r='15' spreadMethod='repeat'>{$two}</radialGradient><path d='{$star}' fill='url(#g)'/>",
            'gradient cut by what lies on it' => "<linearGradient id='g'>{$two}</linearGradient><rect x='10' y='10' width='80' height='80' fill='url(#g)'/><circle cx='60' cy='50' r='25' fill='#277'/>",
            'group opacity' => "<g opacity='.5'><circle cx='40' cy='50' r='30' fill='#c33'/><circle cx='60' cy='50' r='30' fill='#277' stroke='#000'"
                ." stroke-width='5'/></g>",
            'group opacity over see-through parts' => "<rect y='45' width='100' height='10' fill='#222'/><g opacity='.6'><circle cx='40' cy='50' r='30'"
                ." fill='#c33' fill-opacity='.5'/><circle cx='60' cy='50' r='30' fill='#277' fill-opacity='.7'/></g>",
            'paint order' => "<path d='{$star}' fill='#fd6' stroke='#277' stroke-width='14' paint-order='stroke'/>",
            'switch' => "<switch><rect systemLanguage='xx' width='100' height='100' fill='#c33'/><g><circle cx='50' cy='50' r='30' fill='#277'/></g><rect"
                ." width='50' height='50'/></switch>",
            'percent and font-relative lengths' => "<g font-size='10'><g style='font-size:2em'><rect x='10%' y='1em' width='60%' height='2em'"
                ." fill='#277'/><circle cx='50%' cy='80%' r='10%' fill='#c33'/></g></g>",
            'style sheet with specificity' => '<style>rect{fill:#c33} .a{fill:#277} g &gt; .b:first-child{fill:#fd6} #i{fill:#393} .w{fill:#222'
                ." !important} [data-x^='ab']{stroke:#000;stroke-width:3} rect + rect.n{fill:#939} rect:not(.b):last-of-type{opacity:.5}</style><g><rect"
                ." class='b' width='30' height='30'/><rect class='n' x='35' width='30' height='30'/><rect class='a' x='70' width='30'"
                ." height='30'/></g><rect id='i' class='a' y='35' width='30' height='30'/><rect class='w' style='fill:#fff' x='35' y='35'"
                ." width='30' height='30'/><rect data-x='abc' x='70' y='35' width='25' height='30'/>",
            'rules at other media ignored' => "<style>@import url('http://example.org/x.css'); @media print{rect{fill:#c33}} rect{fill:#277}</style><rect"
                ." x='20' y='20' width='60' height='60'/>",
            'symbols and nested viewports' => "<symbol id='s' viewBox='0 0 10 10'><circle cx='5' cy='5' r='7' fill='#277'/></symbol><use href='#s' x='5'"
                ." y='5' width='40' height='40'/><svg x='50' y='50' width='45' height='20' viewBox='0 0 10 10' preserveAspectRatio='xMinYMin slice'><rect"
                ." width='10' height='10' fill='#c33'/><circle cx='5' cy='5' r='3' fill='#fd6'/></svg>",
            'text of one line' => "<text x='5' y='60' font-size='30' fill='#277'>Tavern</text>",
            'text in a serif, slanted and bold' => "<text x='5' y='40' font-family='Nowhere Roman, serif' font-size='26'"
                ." font-style='italic'>Wharf</text><text x='5' y='80' font-family='monospace' font-weight='700' font-size='22'>No 7</text>",
            'text anchored' => "<g font-size='18'><text x='50' y='25' text-anchor='middle'>middle</text><text x='95' y='50' text-anchor='end'>the"
                ." end</text><text x='5' y='75'>start</text></g>",
            'text with spacing' => "<text x='4' y='40' font-size='16' letter-spacing='4'>ABCD</text><text x='4' y='75' font-size='14' word-spacing='10'>a"
                .' b c</text>',
            'text in parts with shifts' => "<text x='5' y='40' font-size='20'>one<tspan fill='#c33' dy='10'>two</tspan><tspan x='5' y='85'"
                ." font-weight='bold'>three</tspan></text>",
            'text letter by letter' => "<text font-size='24' x='10 35 60' y='30 50 70' rotate='0 20 -20'>abcd</text>",
            'text along a path' => "<path id='c' d='M10 70C30 10 70 10 90 70' fill='none'/><text font-size='16' fill='#277'><textPath href='#c'"
                ." startOffset='10%'>along a bow</textPath></text>",
            'text with a stroke and a gradient' => "<linearGradient id='g'>{$two}</linearGradient><text x='5' y='65' font-size='44' font-weight='bold' fill='url(#g)' stroke='#222' stroke-width='1.5'>Inn</text>",
            'text of a given length' => "<text x='5' y='40' font-size='16' textLength='90'>stretch</text><text x='5' y='80' font-size='16' textLength='90'"
                ." lengthAdjust='spacingAndGlyphs'>wide</text>",
            'text on other baselines' => "<text x='5' y='50' font-size='20' dominant-baseline='central'>central</text>",
            'text with a line under it' => "<text x='5' y='60' font-size='26' text-decoration='underline'>gypsy</text>",
            'white space' => "<text x='5' y='40' font-size='16'>  a   b\n c  </text><text x='5' y='80' font-size='16' xml:space='preserve'> a   b</text>",
            'mitred joins' => "<g fill='none' stroke='#277' stroke-width='12'><path d='M10 40L50 20L30 60' stroke-miterlimit='2'/><path d='M50 90L90 60L60"
                ." 50' stroke-linejoin='miter' stroke-miterlimit='3'/></g>",
            'blend of clear fills' => "<circle cx='40' cy='40' r='30' fill='#c33' fill-opacity='.6'/><circle cx='60' cy='60' r='30' fill='#277'"
                ." fill-opacity='.6'/>",
        ];
        $out = [];
        foreach ($bodies as $name => $body) {
            $out[$name] = "<svg xmlns='http://www.w3.org/2000/svg' width='400' height='400' viewBox='0 0 100 100'>{$body}</svg>";
        }

        return $out;
    }
}
