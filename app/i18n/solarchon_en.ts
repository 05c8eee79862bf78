<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en" sourcelanguage="en">
<context>
    <name>QObject</name>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n frame</numerusform>
            <numerusform>%n frames</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n spot(s)</source>
        <translation>
            <numerusform>%n spot</numerusform>
            <numerusform>%n spots</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n clip(s)</source>
        <translation>
            <numerusform>%n clip</numerusform>
            <numerusform>%n clips</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n lost</source>
        <translation>
            <numerusform>%n lost</numerusform>
            <numerusform>%n lost</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>mosaic of %n picture(s)</source>
        <translation>
            <numerusform>mosaic of %n picture</numerusform>
            <numerusform>mosaic of %n pictures</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::AnyInHand</name>
    <message numerus="yes">
        <source>%n part(s)</source>
        <translation>
            <numerusform>%n part</numerusform>
            <numerusform>%n parts</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::ExposurePage</name>
    <message numerus="yes">
        <source>This light path wants %1 stops against the formulas (spread %2), from %n exposure(s).</source>
        <translation>
            <numerusform>This light path wants %1 stops against the formulas (spread %2), from %n exposure.</numerusform>
            <numerusform>This light path wants %1 stops against the formulas (spread %2), from %n exposures.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::FramePage</name>
    <message numerus="yes">
        <source>The target takes %n panel(s)</source>
        <translation>
            <numerusform>The target takes %n panel</numerusform>
            <numerusform>The target takes %n panels</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::LivePlate</name>
    <message numerus="yes">
        <source>%n Earth(s)</source>
        <translation>
            <numerusform>%n Earth</numerusform>
            <numerusform>%n Earths</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::Log</name>
    <message numerus="yes">
        <source>%n entries of the log are damaged and left out. The first: %1</source>
        <translation>
            <numerusform>%n entry of the log is damaged and left out. The first: %1</numerusform>
            <numerusform>%n entries of the log are damaged and left out. The first: %1</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::LogView</name>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>and %n more</numerusform>
            <numerusform>and %n more</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::MoviePanel</name>
    <message numerus="yes">
        <source>%n picture(s)</source>
        <translation>
            <numerusform>%n picture</numerusform>
            <numerusform>%n pictures</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n left out</source>
        <translation>
            <numerusform>%n left out</numerusform>
            <numerusform>%n left out</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::OutPanel</name>
    <message numerus="yes">
        <source>%n seam(s), which meet within %1 px; light differs by %2 % at most.</source>
        <translation>
            <numerusform>%n seam, which meets within %1 px; light differs by %2 % at most.</numerusform>
            <numerusform>%n seams, which meet within %1 px; light differs by %2 % at most.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n picture(s) of that day kept.</source>
        <translation>
            <numerusform>%n picture of that day kept.</numerusform>
            <numerusform>%n pictures of that day kept.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::RecipePanel</name>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n frame</numerusform>
            <numerusform>%n frames</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n show(s) something else</source>
        <translation>
            <numerusform>%n shows something else</numerusform>
            <numerusform>%n show something else</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n damaged</source>
        <translation>
            <numerusform>%n damaged</numerusform>
            <numerusform>%n damaged</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cut off</source>
        <translation>
            <numerusform>%n cut off</numerusform>
            <numerusform>%n cut off</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::RecordBox</name>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n frame</numerusform>
            <numerusform>%n frames</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n lost</source>
        <translation>
            <numerusform>%n lost</numerusform>
            <numerusform>%n lost</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n passed over</source>
        <translation>
            <numerusform>%n passed over</numerusform>
            <numerusform>%n passed over</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::ReduceView</name>
    <message numerus="yes">
        <source>Mosaic of %n panel(s)</source>
        <translation>
            <numerusform>Mosaic of %n panel</numerusform>
            <numerusform>Mosaic of %n panels</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Stack of %n frame(s)</source>
        <translation>
            <numerusform>Stack of %n frame</numerusform>
            <numerusform>Stack of %n frames</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::SeriesPage</name>
    <message numerus="yes">
        <source>%n clip(s) lie on the disk.</source>
        <translation>
            <numerusform>%n clip lies on the disk.</numerusform>
            <numerusform>%n clips lie on the disk.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>It ended early; %n clip(s) lie on the disk.</source>
        <translation>
            <numerusform>It ended early; %n clip lies on the disk.</numerusform>
            <numerusform>It ended early; %n clips lie on the disk.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::SourceBox</name>
    <message numerus="yes">
        <source>%n frame(s)</source>
        <translation>
            <numerusform>%n frame</numerusform>
            <numerusform>%n frames</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n damaged</source>
        <translation>
            <numerusform>%n damaged</numerusform>
            <numerusform>%n damaged</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>solarchon::app::StepEditor</name>
    <message numerus="yes">
        <source>With %n time(s) logged, %1 ± %2 min are counted on.</source>
        <translation>
            <numerusform>With %n time logged, %1 ± %2 min are counted on.</numerusform>
            <numerusform>With %n times logged, %1 ± %2 min are counted on.</numerusform>
        </translation>
    </message>
</context>
</TS>
